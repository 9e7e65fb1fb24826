import fc from 'fast-check';
import { SMALL_MENUS } from '@/core/testing/smallMenus';
import { changeItem, changeText, settingName, settingNames } from './trail';
import { originText, whereOf } from './provenance';
import { markedRides } from './markedRides';
import { proofBasis } from './proofBasis';

const view = { menus: SMALL_MENUS };
const START = { layer: 'title', axis: 'brake', field: 'start' } as const;

describe('what a setting is called', () => {
  it('by its axis, its own menu’s word, and the layer where it isn’t the title', () => {
    expect(settingName(view, START)).toBe('Brake start');
    expect(settingName(view, { ...START, layer: 'base' })).toBe('Brake start on the base');
    expect(settingName(view, { ...START, layer: 'base', field: 'points' })).toBe('Brake curve on the base');
    expect(settingName(view, { layer: 'title', axis: 'steering', field: 'rotation' })).toBe(
      'Steering wheel turns',
    );
  });

  it('of the force without its axis: it is the rim’s alone', () => {
    expect(settingName(view, { layer: 'title', axis: 'steering', field: 'gain' })).toBe('Weight');
  });

  it('a field that no menu has any more keeps its own name', () => {
    expect(settingName(view, { ...START, field: 'snap' })).toBe('Brake snap');
  });

  it('several in one sentence', () => {
    expect(settingNames(view, ['title/brake/start', 'title/steering/gain'])).toBe('brake start and weight');
  });
});

describe('a change as a pebble', () => {
  it('from where to where: what was not set stood at its neutral, and goes back there', () => {
    expect(changeText(view, { key: START, from: null, to: 4 })).toBe('0 → 4');
    expect(changeText(view, { key: START, from: 4, to: null })).toBe('4 → 0');
    const gain = { layer: 'title', axis: 'steering', field: 'gain' } as const;
    expect(changeText(view, { key: gain, from: null, to: 7 })).toBe('5 → 7');
  });

  it('says what, why and whether it holds, for any amount', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 100 }), fc.boolean(), fc.string(), (to, live, why) => {
        const scope = { rigId: 'r', titleId: null, carId: null, driver: null, branch: '' };
        const event = {
          id: 'c',
          atMs: 5,
          kind: 'set',
          scope,
          key: START,
          from: null,
          to,
          why,
          live,
        } as const;
        expect(changeItem(view, event)).toEqual({
          kind: 'change',
          id: 'c',
          atMs: 5,
          what: `Brake start 0 → ${to}`,
          why,
          live,
        });
      }),
    );
  });
});

describe('where a value comes from', () => {
  const scope = { rigId: 'r', titleId: 't', carId: 'c', driver: 'd', branch: '' };
  it('how widely it was set', () => {
    expect(whereOf(scope)).toBe('this car');
    expect(whereOf({ ...scope, carId: null })).toBe('every car');
    expect(whereOf({ ...scope, carId: null, titleId: null })).toBe('every title');
    expect(whereOf({ ...scope, carId: null, driver: null })).toBe('every car, for everyone');
  });

  it('a neutral comes from nowhere', () => {
    expect(originText(undefined)).toBe('neutral');
    expect(originText({ scope, atMs: Date.UTC(2026, 10, 3, 12), value: 4, why: '' })).toBe(
      'for this car, since 3 November 2026',
    );
  });
});

describe('the rides that are marked', () => {
  const ride = (mark: 'A' | 'B' | null, id: string) => ({ mark, road: { kind: 'described', id } as const });
  const log = (mark: 'A' | 'B' | null, name: string) => ({ mark, road: { kind: 'own', name } as const });
  it('make a pair on one road only', () => {
    const [a, b] = [ride('A', 'ring'), ride('B', 'ring')];
    expect(markedRides([ride(null, 'ring'), b, a])).toEqual({ a, b, pair: { a, b } });
    expect(markedRides([a, ride('B', 'hill')]).pair).toBeNull();
    // A log has a road of its own, whatever it is called.
    expect(markedRides([a, log('B', 'ring')]).pair).toBeNull();
    expect(markedRides([log('A', 'ring'), log('B', 'ring')]).pair).not.toBeNull();
    expect(markedRides([log('A', 'evening.csv'), log('B', 'morning.csv')]).pair).toBeNull();
    expect(markedRides([a])).toEqual({ a, b: null, pair: null });
  });
});

describe('what a final check rests on', () => {
  const axes = [
    { axis: 'brake', capture: { id: 'one' } },
    { axis: 'throttle', capture: null },
  ] as Parameters<typeof proofBasis>[0];

  it('is another after a new capture or a changed response, and the same in any order', () => {
    const basis = proofBasis(axes, { 'title/brake/start': 4, 'title/throttle/start': 1 });
    expect(proofBasis(axes.toReversed(), { 'title/throttle/start': 1, 'title/brake/start': 4 })).toBe(basis);
    expect(proofBasis(axes, { 'title/brake/start': 5, 'title/throttle/start': 1 })).not.toBe(basis);
    const anew = [{ axis: 'brake', capture: { id: 'two' } }, axes[1]!] as typeof axes;
    expect(proofBasis(anew, { 'title/brake/start': 4, 'title/throttle/start': 1 })).not.toBe(basis);
  });

  it('how strong the force is plays no part', () => {
    expect(proofBasis(axes, { 'title/steering/gain': 7 })).toBe(proofBasis(axes, {}));
  });
});
