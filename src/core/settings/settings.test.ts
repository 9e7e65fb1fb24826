import fc from 'fast-check';
import { carById, simulatedRigById, titleById } from '@/catalog/find';
import { menusFor } from '@/catalog/menusFor';
import { respond } from '../response/compose';
import { checkChange, menuField, responseLayers } from './menus';
import { rotationInForce } from './rotationOf';
import { usualScope, type Combination, type Scope } from './scope';
import { changedBetween, keyOfText, keyText, type SettingKey } from './setting';
import { checkPutBack, effectiveSettings, valuesOf, wayBack, type SetEvent, type TrailEvent } from './trail';

const HERE: Combination = {
  rigId: 'gannet',
  titleId: 'hill-and-hollow',
  carId: 'spindrift-h4',
  driver: 'Late shift',
  branch: '',
};
const KEYS: SettingKey[] = [
  { layer: 'base', axis: 'brake', field: 'deadzone' },
  { layer: 'title', axis: 'brake', field: 'deadzone' },
  { layer: 'car', axis: 'throttle', field: 'linearity' },
];
/** Every way in which a place can be wider, narrower or elsewhere. */
const SCOPES: Scope[] = [
  usualScope('car', HERE),
  usualScope('title', HERE),
  usualScope('base', HERE),
  { ...usualScope('title', HERE), driver: null },
  { ...usualScope('title', HERE), driver: 'Dawn shift' },
  { ...usualScope('title', HERE), branch: 'wet' },
];

/** Trails in which nothing is put back that may not be. */
const trails = fc
  .array(
    fc.record({
      key: fc.constantFrom(...KEYS),
      scope: fc.constantFrom(...SCOPES),
      to: fc.option(fc.integer({ min: 0, max: 9 })),
      undo: fc.boolean(),
      pick: fc.nat(),
    }),
    { maxLength: 16 },
  )
  .map((steps) => {
    const trail: TrailEvent[] = [];
    steps.forEach(({ key, scope, to, undo, pick }, i) => {
      const allowed = trail.filter((e) => checkPutBack(trail, e.id).ok);
      if (undo && allowed.length > 0)
        trail.push({ id: `u${i}`, atMs: i, kind: 'put-back', undoes: allowed[pick % allowed.length]!.id });
      else trail.push({ id: `s${i}`, atMs: i, kind: 'set', scope, key, from: null, to });
    });
    return trail;
  });
const values = (trail: TrailEvent[]) => valuesOf(effectiveSettings(trail, HERE));

describe('the trail', () => {
  it('putting a change back gives the state in which it was never made', () => {
    fc.assert(
      fc.property(trails, fc.nat(), (trail, pick) => {
        const allowed = trail.filter((e) => checkPutBack(trail, e.id).ok);
        fc.pre(allowed.length > 0);
        const { id } = allowed[pick % allowed.length]!;
        const undone: TrailEvent[] = [...trail, { id: 'x', atMs: 99, kind: 'put-back', undoes: id }];
        expect(values(undone)).toEqual(values(trail.filter((e) => e.id !== id)));
      }),
    );
  });

  it('a moment that is restored holds again, whatever came after', () => {
    fc.assert(
      fc.property(trails, fc.nat(), (trail, pick) => {
        fc.pre(trail.length > 0);
        const at = pick % trail.length;
        const back = wayBack(trail, HERE, trail[at]!.id).map(({ key, scope, from, to }, i): SetEvent => ({
          id: `r${i}`,
          atMs: 99,
          kind: 'set',
          key,
          scope,
          from,
          to,
        }));
        expect(values([...trail, ...back])).toEqual(values(trail.slice(0, at + 1)));
        expect(wayBack([...trail, ...back], HERE, back.at(-1)?.id ?? trail.at(-1)!.id)).toEqual([]);
      }),
    );
  });

  const set = (id: string, scope: Scope, to: number | null): SetEvent => ({
    id,
    atMs: 1,
    kind: 'set',
    scope,
    key: KEYS[1]!,
    from: null,
    to,
  });

  it('the narrowest place wins and says where it comes from; taken away there, the wider one holds again', () => {
    const house = set('house', { ...usualScope('title', HERE), driver: null }, 1);
    const own = set('own', usualScope('title', HERE), 2);
    const carOnly = set('car', usualScope('car', HERE), 3);
    const from = (...trail: TrailEvent[]) => {
      const found = effectiveSettings(trail, HERE).get(keyText(KEYS[1]!));
      return found && [found.value, found.from.id];
    };
    expect(from(own, house)).toEqual([2, 'own']);
    expect(from(carOnly, own, house)).toEqual([3, 'car']);
    expect(from(own, house, set('away', own.scope, null))).toEqual([1, 'house']);
    expect(from(set('elsewhere', { ...own.scope, branch: 'wet' }, 5))).toBeUndefined();
  });

  it('a change that another stands on is not put back before that one', () => {
    const trail = [set('a', usualScope('title', HERE), 1), set('b', usualScope('title', HERE), 2)];
    const refused = checkPutBack(trail, 'a');
    expect(refused).toMatchObject({ ok: false, problems: [{ code: 'changed-again' }] });
    expect(checkPutBack(trail, 'b').ok).toBe(true);
  });

  it('names of settings survive their text; what differs is named once, in order', () => {
    for (const key of KEYS) expect(keyOfText(keyText(key))).toEqual(key);
    expect(changedBetween({ b: 1, a: [[0, 0]] }, { a: [[0, 0]], c: 2 })).toEqual(['b', 'c']);
  });
});

describe('menus', () => {
  const menus = menusFor(
    simulatedRigById('gannet').spec,
    titleById('hill-and-hollow'),
    carById('spindrift-h4'),
  );
  const curve = { layer: 'base', axis: 'throttle', field: 'points' } as const;

  it('base, title and car compose in signal order, a drawn curve among them', () => {
    const layers = responseLayers(
      menus,
      {
        'base/throttle/deadzone': 10,
        'base/throttle/points': [
          [0, 0],
          [0.5, 0.25],
          [1, 1],
        ],
        'title/throttle/saturation': 0.5,
        'car/throttle/linearity': 1,
      },
      'throttle',
    );
    // 55 % is the middle of the base's way: 0.25 there, 0.5 of what the title wants, and its cube in the car.
    expect(respond(layers, 0.55)).toBeCloseTo(0.5 ** 3, 12);
    expect(respond(layers, 0.1)).toBe(0);
  });

  it.each([
    ['no menu', { ...curve, axis: 'handbrake' as const }, 1, 'no-menu'],
    ['no such field', { ...curve, layer: 'title' as const, field: 'gain' }, 1, 'unknown-field'],
    [
      'beyond the maximum of the base',
      { layer: 'base', axis: 'steering', field: 'rotation' } as const,
      2530,
      'out-of-range',
    ],
    ['between two steps', { layer: 'base', axis: 'steering', field: 'rotation' } as const, 905, 'off-grid'],
    [
      'a curve that falls',
      curve,
      [
        [0, 0],
        [0.3, 0.6],
        [0.6, 0.5],
        [1, 1],
      ] as [number, number][],
      'bad-curve',
    ],
    [
      'a curve that goes back',
      curve,
      [
        [0, 0],
        [0.6, 0.2],
        [0.6, 0.5],
        [1, 1],
      ] as [number, number][],
      'bad-curve',
    ],
    [
      'a curve where none is drawn',
      { ...curve, layer: 'title' as const },
      [
        [0, 0],
        [1, 1],
      ] as [number, number][],
      'bad-curve',
    ],
    ['no travel left', { layer: 'title', axis: 'brake', field: 'deadzone' } as const, 0.4, 'no-travel-left'],
  ])('refuses %s', (_, key, to, code) => {
    const refused = checkChange(menus, { 'title/brake/saturation': 0.4 }, key, to);
    expect(refused).toMatchObject({ ok: false, problems: [{ code }] });
    expect(refused.ok ? '' : refused.problems[0]!.remedy).not.toBe('');
  });

  it('rotation comes from the base, the title and the car’s own lock unless they are set', () => {
    expect(rotationInForce(menus, {}, 380, false)).toMatchObject({
      baseDeg: 1080,
      titleDeg: 900,
      carDeg: 380,
    });
    expect(
      rotationInForce(
        menus,
        { 'base/steering/rotation': 540, 'title/steering/rotation': 540, 'car/steering/lock': 400 },
        380,
        false,
      ),
    ).toMatchObject({ baseDeg: 540, titleDeg: 540, carDeg: 400, carOwnDeg: 380 });
  });
});

it('a field is found by its layer, axis and key, and nothing where a menu has none', () => {
  const menus = menusFor(
    simulatedRigById('gannet').spec,
    titleById('hill-and-hollow'),
    carById('spindrift-h4'),
  );
  expect(menuField(menus, { layer: 'title', axis: 'brake', field: 'deadzone' })).toMatchObject({
    key: 'deadzone',
  });
  expect(menuField(menus, { layer: 'title', axis: 'brake', field: 'nowhere' })).toBeUndefined();
  expect(menuField(menus, { layer: 'title', axis: 'gear', field: 'deadzone' })).toBeUndefined();
});
