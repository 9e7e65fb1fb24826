import fc from 'fast-check';
import { RIM_SPOTS, areNeighbours, secondsOf, type RimButton, type RimSpot } from '../rig/rimButton';
import { ACTION_IDS, ACTIONS, isDriven, type ActionId } from './actions';
import { assignButtons } from './assignButtons';
import { conflictsOf, EMPTY_MAP, thumbSeconds } from './buttonMap';
import { leastCost } from './leastCost';

const SPOTS = Object.keys(RIM_SPOTS) as RimSpot[];
const button = (index: number, spot: RimSpot, more: Partial<RimButton> = {}): RimButton => ({
  ...{
    index,
    name: `button ${index + 1}`,
    kind: 'button',
    spot,
    seconds: null,
    hitInstead: [],
    passes: true,
  },
  ...more,
});
const anyRim = (most: number) =>
  fc
    .array(
      fc.record({
        spot: fc.constantFrom(...SPOTS),
        seconds: fc.option(fc.double({ min: 0.2, max: 2, noNaN: true })),
        passes: fc.boolean(),
        kind: fc.constantFrom('button', 'button', 'button', 'paddle'),
        slips: fc.array(fc.nat(11), { maxLength: 2 }),
      }),
      { minLength: 1, maxLength: most },
    )
    .map((all) =>
      all.map(({ spot, seconds, passes, kind, slips }, i) =>
        button(i, spot, {
          ...{ seconds, passes, kind: kind as RimButton['kind'] },
          hitInstead: slips.filter((other) => other !== i),
        }),
      ),
    );
const anyActions = (most: number) => fc.uniqueArray(fc.constantFrom(...ACTION_IDS), { maxLength: most });
const flags = { isPractice: false, isConsole: false };

describe('the assignment of least cost', () => {
  const costsOf = (n: number, m: number) =>
    fc.array(fc.array(fc.double({ min: 0, max: 10, noNaN: true }), { minLength: m, maxLength: m }), {
      minLength: n,
      maxLength: n,
    });
  const brute = (costs: number[][], row = 0, taken = new Set<number>()): number => {
    if (row === costs.length) return 0;
    let least = Infinity;
    costs[row]!.forEach((cost, c) => {
      if (taken.has(c)) return;
      taken.add(c);
      least = Math.min(least, cost + brute(costs, row + 1, taken));
      taken.delete(c);
    });
    return least;
  };

  it('is the least of all that there are', () => {
    fc.assert(
      fc.property(costsOf(4, 5), (costs) => {
        const columns = leastCost(costs)!;
        expect(new Set(columns).size).toBe(4);
        const sum = columns.reduce((all, c, r) => all + costs[r]![c]!, 0);
        expect(sum).toBeCloseTo(brute(costs), 9);
      }),
    );
  });

  it('says so where none is allowed', () => {
    const no = Infinity;
    expect(
      leastCost([
        [1, no],
        [2, no],
      ]),
    ).toBeNull();
    expect(
      leastCost([
        [no, 1],
        [2, no],
      ]),
    ).toEqual([1, 0]);
  });
});

it('100 rims and titles: no dangerous action beside one that is pressed while driving', () => {
  fc.assert(
    fc.property(
      anyRim(12),
      anyActions(10),
      fc.boolean(),
      fc.boolean(),
      (buttons, actions, isPractice, isConsole) => {
        const on = assignButtons({ buttons, actions, isPractice, isConsole });
        const map = { ...EMPTY_MAP, on, isPractice, isConsole };
        const worst = conflictsOf(map, buttons).filter(({ kind }) => kind !== 'out-of-reach');
        expect(worst).toEqual([]);
        for (const id of actions) {
          const at = buttons.find(({ index }) => index === on[id]);
          expect(on[id] === null || at !== undefined).toBe(true);
          expect(at?.kind).not.toBe('paddle');
        }
      },
    ),
    { numRuns: 100 },
  );
});

/** Whether all of some actions can lie on buttons with no dangerous neighbour, by trying everything. */
function exists(buttons: RimButton[], actions: ActionId[]): boolean {
  const free = buttons.filter(({ kind }) => kind !== 'paddle');
  const place = (k: number, taken: { id: ActionId; at: RimButton }[]): boolean => {
    const id = actions[k];
    if (id === undefined) return true;
    return free.some((at) => {
      if (taken.some((one) => one.at === at)) return false;
      const clashes = taken.some(
        (one) =>
          areNeighbours(one.at, at) &&
          ((ACTIONS[id].isDangerous && isDriven(one.id)) || (ACTIONS[one.id].isDangerous && isDriven(id))),
      );
      return !clashes && place(k + 1, [...taken, { id, at }]);
    });
  };
  return place(0, []);
}

it('where all of it can lie on buttons without such a neighbour, it does', () => {
  fc.assert(
    fc.property(anyRim(7), anyActions(4), (buttons, actions) => {
      fc.pre(exists(buttons, actions));
      const on = assignButtons({ buttons, actions, ...flags });
      expect(actions.filter((id) => on[id] === null)).toEqual([]);
    }),
    { numRuns: 200 },
  );
});

it('two dozen buttons and every action there is still find their places', () => {
  const rim = Array.from({ length: 24 }, (_, i) =>
    button(i, SPOTS[i % SPOTS.length]!, { seconds: 0.3 + 0.05 * ((7 * i) % 24) }),
  );
  const on = assignButtons({ buttons: rim, actions: ACTION_IDS, ...flags });
  expect(ACTION_IDS.filter((id) => on[id] === null).length).toBeLessThan(6);
  expect(conflictsOf({ ...EMPTY_MAP, on }, rim).filter(({ kind }) => kind === 'danger-beside')).toEqual([]);
});

describe('a usual rim', () => {
  const rim = SPOTS.filter((spot) => !RIM_SPOTS[spot].isBehind).map((spot, i) => button(i, spot));
  const on = (isPractice: boolean) =>
    assignButtons({
      buttons: rim,
      actions: ['brake-balance-front', 'brake-balance-rear', 'look-back', 'reset', 'pause', 'wiper'],
      ...flags,
      isPractice,
    });
  const at = (index: number | null | undefined) => rim.find((one) => one.index === index)!;

  it('has what is changed in mid-corner under a thumb, and what costs the ride far away', () => {
    const map = on(false);
    for (const id of ['brake-balance-front', 'brake-balance-rear'] as const)
      expect(secondsOf(at(map[id]))).toBeLessThanOrEqual(thumbSeconds(rim));
    for (const id of ['reset', 'pause'] as const) expect(secondsOf(at(map[id]))).toBeGreaterThanOrEqual(1);
    expect(conflictsOf({ ...EMPTY_MAP, on: map }, rim)).toEqual([]);
  });

  it('has the reset near when one practises, the pause as far as ever', () => {
    expect(secondsOf(at(on(true)['reset']))).toBeLessThan(0.7);
    expect(secondsOf(at(on(true)['pause']))).toBeGreaterThanOrEqual(1);
  });
});

it('every conflict is named, and a hold takes the danger away', () => {
  const rim = [
    button(0, 'left-upper'),
    button(1, 'left-middle'),
    button(2, 'off-rim', { passes: false }),
    button(3, 'right-middle'),
  ];
  const map = {
    ...EMPTY_MAP,
    isConsole: true,
    on: { pause: 0, 'look-back': 1, 'brake-balance-front': 2, flash: 1, boost: 9 } as const,
  };
  const kinds = (held: ActionId[] = []) => conflictsOf({ ...map, held }, rim).map(({ kind }) => kind);
  expect(kinds()).toEqual(['danger-beside', 'two-on-one', 'not-passed', 'gone', 'out-of-reach']);
  expect(kinds(['pause'])).not.toContain('danger-beside');
  // Where a slip has happened, they are neighbours however far apart they look.
  const slipped = [button(0, 'left-upper', { hitInstead: [3] }), button(3, 'right-middle')];
  expect(areNeighbours(slipped[0]!, slipped[1]!)).toBe(true);
});
