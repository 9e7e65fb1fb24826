import fc from 'fast-check';
import { AXIS_NAMES } from '@/core/axes/axes';
import { ownTitleSchema } from '@/core/formats/ownTitleJson';
import {
  PLAIN_TRAITS,
  readTitleDocument,
  readTitleJson,
  SHAPED_AXES,
  writeTitleJson,
  type TitleDocument,
} from '@/core/formats/titleJson';
import { isForceDescribed, otherFields } from '@/core/force/forceParameters';
import { plainRig } from '@/core/rig/rigSpec';
import { usualNeutral, type DescribedField } from '@/core/titles/describedField';
import { placed, placeOf, PLACES, type Place } from '@/core/titles/place';
import {
  BASE_ROLES,
  CAR_ROLES,
  isEffectRole,
  keyFor,
  OTHER_ROLES,
  roleOf,
  TITLE_ROLES,
  usualMaps,
  type Role,
} from '@/core/titles/roles';
import { describedFields, pagesOf, valuesSaid } from '@/core/titles/titleDocument';
import { CARS } from './cars';
import { menusFor } from './menusFor';
import { titleDocument, titleFromOwn, Titles } from './ownTitle';
import { TITLES, type Title } from './titles';

const BUILT_IN = TITLES.map((title) => [title.name, title] as const);

/** Every menu of a title, field by field under its key: the order of fields is the pages'. */
function fieldsOf(title: Title) {
  const menus = SHAPED_AXES.map((axis) => [
    axis,
    byKey(title.dialects[axis].fields),
    CARS.filter(({ id }) => title.carIds.includes(id)).map(({ name, lockDeg }) =>
      byKey(title.carMenu[axis]?.(name, lockDeg).fields ?? []),
    ),
  ]);
  return {
    menus,
    rotation: title.rotation,
    forceHz: title.forceHz,
    cars: title.carIds,
    roads: title.trackIds,
  };
}
const byKey = (fields: readonly { key: string }[]) =>
  Object.fromEntries(fields.map((field) => [field.key, field]));

const throughFile = (document: TitleDocument): TitleDocument => {
  const read = readTitleJson(writeTitleJson(document));
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.value;
};

describe.each(BUILT_IN)('%s', (_, title) => {
  const document = titleDocument(title);

  it('described anew is the same, field by field, and through a file as well', () => {
    const described: TitleDocument = { ...document, pages: pagesOf(describedFields(document))! };
    expect(fieldsOf(titleFromOwn({ id: 'x', ...throughFile(described) }))).toEqual(fieldsOf(title));
    expect(fieldsOf(titleFromOwn({ id: 'x', ...throughFile(document) }))).toEqual(fieldsOf(title));
  });

  it('keeps its pages in their order', () => {
    const own = titleFromOwn({ id: 'x', ...document });
    expect(own.pages.map(({ path, layer }) => [path, layer])).toEqual(
      title.pages.map(({ path, layer }) => [path, layer]),
    );
  });
});

/** A field as anybody could describe one; what it does decides where it can stand. */
const anyField = (role: Role, place: Place, i: number): fc.Arbitrary<DescribedField> =>
  fc
    .record({
      steps: fc.integer({ min: 1, max: 200 }),
      step: fc.constantFrom(0.01, 0.5, 1, 5),
      at: fc.nat(200),
      unit: fc.constantFrom('', '%', '°'),
      isApart: fc.boolean(),
    })
    .map(({ steps, step, at, unit, isApart }): DescribedField => {
      const inDegrees = role === 'rotation' || role === 'lock';
      const [min, max] = inDegrees ? [180, 180 + steps * 10] : [0, Number((steps * step).toFixed(2))];
      const grid = inDegrees ? 10 : step;
      const onGrid = Number((min + (at % (steps + 1)) * grid).toFixed(2));
      const neutral = role === 'linearity' || role === 'gain' ? max : onGrid;
      const numbers = { min, max, step: grid, neutral };
      const isShaped = role === 'deadzone' || role === 'saturation' || role === 'linearity';
      const key = keyFor(role, new Set());
      // What a response cannot be is refused: only what it can be is generated.
      const maps = isShaped ? usualMaps(role, key, numbers) : null;
      return {
        page: `Page ${i % 3}`,
        ...placed(place),
        label: `Label ${i}`,
        role,
        ...numbers,
        unit,
        maps,
        isMeasured: false,
        isApart: isApart && isEffectRole(role),
        value: null,
      };
    });

const anyTitle = fc
  .uniqueArray(fc.constantFrom(...TITLE_ROLES.filter((role) => role !== 'linearity')), {
    minLength: 1,
    maxLength: 20,
  })
  .chain((roles) =>
    fc.tuple(
      ...roles.map((role, i) =>
        anyField(role, ['deadzone', 'saturation'].includes(role) ? PLACES[i % 3]! : 'wheel', i),
      ),
    ),
  )
  .map((fields): TitleDocument => ({
    name: 'Anything',
    about: '',
    rotation: 'direct',
    forceHz: null,
    pages: pagesOf(fields)!,
    cars: null,
    tracks: null,
    traits: PLAIN_TRAITS,
    origin: '',
  }));

it('what was measured of a field stays measured', () => {
  const document = titleDocument(TITLES[0]!);
  const [page] = document.pages;
  const measured = {
    ...page!,
    fields: page!.fields.map((field) => ({ ...field, evidence: 'measured' as const })),
  };
  expect(pagesOf(describedFields({ ...document, pages: [measured] }))).toEqual([measured]);
});

it('any title survives describing, saving and opening', () => {
  fc.assert(
    fc.property(anyTitle, (document) => {
      const again = throughFile(document);
      expect(again).toEqual(document);
      expect(pagesOf(describedFields(again))).toEqual(document.pages);
    }),
  );
});

it('every role can be told from the field that it makes', () => {
  for (const role of new Set([...TITLE_ROLES, ...BASE_ROLES, ...CAR_ROLES])) {
    const neutral = usualNeutral(role, 0, 100);
    const key = keyFor(role, new Set());
    const maps = usualMaps(role, key, { min: 0, max: 100, step: 1, neutral });
    expect([role, roleOf({ key, maps })]).toEqual([role, role]);
  }
  const taken = new Set<string>(['other', 'other2']);
  expect(keyFor('other', taken)).toBe('other3');
  expect(
    OTHER_ROLES.every(
      (role) => roleOf({ key: `${role}2`, maps: { kind: 'fraction', of: `${role}2`, full: 1 } }) === role,
    ),
  ).toBe(true);
});

it('a place has one word, and controls of a copied title may have none', () => {
  for (const place of PLACES) expect(placeOf(placed(place))).toBe(place);
  expect(placeOf({ layer: 'title', axes: ['brake'] })).toBeNull();
});

it('what a menu stands at is said of each control that has it, on its grid, and only where it is not at neutral', () => {
  const field = (part: Partial<DescribedField>): DescribedField => ({
    page: 'P',
    ...placed('wheel'),
    label: 'Same label',
    role: 'other',
    min: 0,
    max: 10,
    step: 2,
    neutral: 0,
    unit: '',
    maps: null,
    isMeasured: false,
    isApart: false,
    value: null,
    ...part,
  });
  const fields = [
    field({ value: 4.9 }),
    field({ value: 6 }),
    field({ value: 0 }),
    field({ role: 'deadzone', ...placed('every'), value: 2 }),
    field({ value: 5, step: null }),
  ];
  expect(valuesSaid(fields, new Set(['steering', 'brake']))).toEqual([
    { layer: 'title', axis: 'steering', field: 'other', to: 4 },
    { layer: 'title', axis: 'steering', field: 'other2', to: 6 },
    { layer: 'title', axis: 'steering', field: 'deadzone', to: 2 },
    { layer: 'title', axis: 'brake', field: 'deadzone', to: 2 },
  ]);
});

describe('is refused, with the page and the field', () => {
  const at = (field: Partial<DescribedField>): DescribedField => ({
    page: 'Force',
    ...placed('wheel'),
    label: 'Gain',
    role: 'gain',
    min: 0,
    max: 100,
    step: 1,
    neutral: 50,
    unit: '',
    maps: null,
    isMeasured: false,
    isApart: false,
    value: null,
    ...field,
  });
  const fault = (...fields: DescribedField[]) => {
    const document = { ...titleDocument(TITLES[0]!), pages: pagesOf(fields)! };
    const read = readTitleDocument(document);
    return read.ok ? null : [read.problems[0]!.code, read.problems[0]!.place.column];
  };

  it('two fields that set one thing', () => {
    expect(fault(at({}), at({ label: 'Strength' }))).toEqual(['key-twice', 'Force › Strength']);
    expect(fault(at({}), at({ label: 'For this car', ...placed('car') }))).toBeNull();
  });

  it('a step that does not divide its range, a neutral outside, a gain that comes at nothing', () => {
    expect(fault(at({ step: 3 }))).toEqual(['bad-step', 'Force › Gain']);
    expect(fault(at({ neutral: 120 }))).toEqual(['neutral-outside', 'Force › Gain']);
    expect(fault(at({ neutral: 0, maps: { kind: 'gain', of: 'gain' } }))).toEqual([
      'neutral-zero',
      'Force › Gain',
    ]);
  });
});

describe('an own title among the others', () => {
  const [car] = CARS;
  const rig = plainRig({ kind: 'real', axes: {} });
  const own = (document: Partial<TitleDocument>) =>
    titleFromOwn({ id: 'x', ...titleDocument(TITLES[0]!), cars: null, tracks: null, ...document });

  it('nothing is known of its force before a gain is described', () => {
    const silent = own({ pages: titleDocument(TITLES[0]!).pages.slice(0, 3), forceHz: null });
    expect(isForceDescribed(menusFor(rig, silent, car!))).toBe(false);
    expect(silent.knowsForceHz).toBe(false);
    expect(isForceDescribed(menusFor(rig, own({}), car!))).toBe(true);
  });

  it('what is not computed is kept apart from what is', () => {
    const vibration: DescribedField = {
      page: 'Force',
      ...placed('wheel'),
      label: 'Shaker',
      role: 'vibration',
      min: 0,
      max: 10,
      step: 1,
      neutral: 0,
      unit: '',
      maps: null,
      isMeasured: false,
      isApart: false,
      value: null,
    };
    const title = own({ pages: pagesOf([vibration])! });
    const menus = menusFor(rig, title, car!);
    expect(otherFields(menus, {}, 'title').map(({ field }) => field.label)).toEqual(['Shaker']);
    expect(otherFields(menusFor(rig, own({}), car!), {}, 'title')).toEqual([]);
  });

  it('fields of which only the usual meaning is known are named', () => {
    const asked = {
      min: 0,
      max: 50,
      step: 1,
      neutral: 0,
      unit: '',
      isMeasured: false,
      isApart: false,
      value: null,
    };
    const fields: DescribedField[] = [
      { page: 'P', ...placed('wheel'), label: 'Lift', role: 'minForce', maps: null, ...asked },
      {
        page: 'P',
        ...placed('wheel'),
        label: 'Hush',
        role: 'titleDamper',
        maps: { kind: 'fraction', of: 'titleDamper', full: 50 },
        ...asked,
      },
      { page: 'P', ...placed('wheel'), label: 'Road', role: 'roadEffect', maps: null, ...asked, unit: '%' },
    ];
    expect(own({ pages: pagesOf(fields)! }).unsure).toEqual(['Lift']);
  });

  it('what a book of an earlier version kept is read as a title of one page', () => {
    const field = {
      key: 'start',
      label: 'Start',
      min: 0,
      max: 100,
      step: 1,
      neutral: 0,
      maps: { kind: 'deadzone-amount', full: 100 },
    };
    const turns = {
      ...field,
      key: 'rotation',
      label: 'Turns',
      min: 180,
      max: 900,
      step: 10,
      neutral: 900,
      maps: { kind: 'degrees', of: 'rotation' },
    };
    const earlier = { name: 'Ferry Lane', rotation: 'direct', fields: [field], steering: [turns] };
    const title = new Titles([{ id: 'x', ...ownTitleSchema.parse(earlier) }]).byId('own-x');
    expect(title.dialects.brake.fields.map(({ key }) => key)).toEqual(['start']);
    expect(title.dialects.steering.fields.map(({ key }) => key)).toEqual(['rotation', 'start']);
    expect(title.knowsForceHz).toBe(false);
    expect(AXIS_NAMES).toContain('brake');
  });
});
