import { menusFor } from '@/catalog/menusFor';
import { carById, simulatedRigById, titleById } from '@/catalog/find';
import type { BlindScore } from '@/core/experiment/bettingScore';
import { compareRides, type ComparedRide, type RidesCompared } from '@/core/experiment/compareRides';
import type { FinderAnswer } from '@/core/experiment/finder/findBest';
import type { ExperimentState } from '@/core/experiment/plan';
import type { ExperimentPlan, ExperimentAnswer } from '@/core/experiment/questions';
import { seededRandom } from '@/core/numeric/random';
import type { MeasuredLap } from '@/core/rides/measureRide';
import { MEASURES, type Measured } from '@/core/rides/measures';
import { alongSentence, clipsSentence } from '@/words/along';
import { missingText, rideHow, trustSentence } from '@/words/verdict';
import { QUESTION_WORDS } from '@/words/questions';
import { SENTENCES } from '@/words/verdictSentences';
import type { ExperimentView, OwnSpread } from '../model/experimentView';
import { experimentRemarks, experimentSentence, noticedText } from './experimentWords';
import type { SideForce } from '../model/sidesForce';
import { forceSentence, forceSource } from './sidesForce';
import { hardlyNoticed, knownNoticed, knownRemark, knownSentence } from './settingKnown';
import { apartText, tellRidesApart } from './tellRidesApart';

const said = new Map<string, string>();
beforeAll(() => {
  for (const key of Object.keys(SENTENCES) as (keyof typeof SENTENCES)[]) {
    const real = SENTENCES[key] as (...args: unknown[]) => string;
    jest.spyOn(SENTENCES, key).mockImplementation((...args: unknown[]) => {
      const text = real(...args);
      said.set(key, text);
      return text;
    });
  }
});

const view = { menus: menusFor(simulatedRigById('tern').spec, titleById('causeway'), carById('marl-850')) };
const KEY = 'title/brake/deadzone';
const PAIRS: ExperimentPlan = {
  question: 'change',
  way: 'title',
  a: { [KEY]: 0 },
  b: { [KEY]: 4 },
  pairs: 4,
  lapsPerRide: 2,
  named: null,
  dimension: null,
};
const shown = (
  asked: ExperimentPlan,
  answer: ExperimentAnswer | null,
  state: ExperimentState = 'over',
): ExperimentView => ({
  id: 'q',
  atMs: 1,
  question: asked.question,
  asked,
  trackId: 'saltmarsh-loop',
  state,
  decision: null,
  step: { kind: 'over' },
  ridden: 3,
  lost: 0,
  commitment: null,
  salt: null,
  answers: [],
  unrated: null,
  rated: [],
  softwareChanged: [],
  answer,
  elsewhere: [],
});

const NOTHING = Object.fromEntries(MEASURES.map(({ name }) => [name, null])) as unknown as Measured;
const lap = (timeS: number, more: Partial<Measured> = {}): MeasuredLap => ({
  lap: 1,
  timeS,
  counted: true,
  why: null,
  measures: { ...NOTHING, ...more },
});

/** Rides in an order, each of two laps of what a side has. */
function rides(
  order: string,
  of: (side: string, i: number, noise: () => number) => [number, Partial<Measured>][],
): ComparedRide[] {
  const random = seededRandom(4);
  const noise = () => 0.05 * random.normal();
  return [...order].map((side, i) => ({
    side: side as 'A' | 'B',
    laps: of(side, i, noise).map(([timeS, more]) => lap(timeS, more)),
  }));
}

function change(compared: RidesCompared, more: Partial<Extract<ExperimentAnswer, { kind: 'change' }>> = {}) {
  const answer: ExperimentAnswer = {
    kind: 'change',
    compared,
    sides: { ridesA: 2, ridesB: 2 },
    isEarly: false,
    leftOut: [],
    strayLogs: 0,
    rides: [],
    ...more,
  };
  return {
    sentence: experimentSentence(view, shown(PAIRS, answer)),
    remarks: experimentRemarks(view, shown(PAIRS, answer)),
  };
}

const compare = (of: ComparedRide[], more: object = {}) => compareRides(of, { isOrderKnown: true, ...more });
const two = (
  side: string,
  noise: () => number,
  by = 0,
  more: Partial<Measured> = {},
): [number, Partial<Measured>][] => [0, 1].map(() => [90 + noise() + (side === 'B' ? by : 0), more]);

it('says what a plan takes, with the driver’s own spread, and what it cannot show', () => {
  const own = (sigma: number): OwnSpread => ({
    rides: 3,
    lapS: 90,
    of: { lapTimeS: { sigma, upper: 2 * sigma, df: 4 } },
  });
  const plan = { pairs: 4, lapsPerRide: 2, named: 'lapTimeS' as const, searched: 1 };
  expect(QUESTION_WORDS.change.plan(plan, own(0.2), false)).toBe(
    '4 pairs of 2 laps a ride, about 40 minutes: differences from 0.45 s are seen 4 times in 5 (from 0.89 s if you spread as much as your rides leave open). 0.10 s takes more than 16 pairs: ask a measure that spreads less, or the force',
  );
  expect(QUESTION_WORDS.change.plan(plan, own(0.08), false)).toMatch(/0\.10 s takes \d+ pairs$/);
  expect(QUESTION_WORDS.change.plan(plan, own(0.2), true)).toMatch(/leave open\)$/);
  expect(QUESTION_WORDS.change.plan({ ...plan, pairs: 1, lapsPerRide: 1 }, own(0.2), false)).toContain(
    'five in all',
  );
  expect(QUESTION_WORDS.change.plan(plan, { lapS: null, of: {} }, false)).toContain(
    'no ride of yours on this road yet',
  );
  for (const question of ['discriminate', 'like', 'jnd', 'best', 'explore'] as const)
    expect(QUESTION_WORDS[question].plan(plan, own(0.2), false)).not.toBe('');
});

it('a comparison says what is shown, how far it can be trusted, and what speaks against it', () => {
  const clear = compare(
    rides('ABBAABBA', (side, _, noise) =>
      two(side, noise, -1, { brakeDrag: side === 'B' ? 0 : 1, brakeReach: side === 'B' ? 1 : 0 }),
    ),
  );
  expect(change(clear).sentence).toMatch(
    /^With B the brake no longer drags .*, 100 % of the full presses .* and a lap is 0\.9\d s shorter/,
  );
  const drags = compare(
    rides('ABBA', (side, _, noise) =>
      two(side, noise, 0, {
        brakeDrag: side === 'B' ? 0.4 : 1,
        steeringTwitch: (side === 'B' ? 2 : 1) + noise() / 100,
      }),
    ),
  );
  expect(change(drags).sentence).toContain('drags on 40 %');
  expect(change(drags).sentence).toContain('twitch is 2.00° instead of 1.00°');
  const same = (more: object = {}) =>
    compare(
      rides('ABBA', (side, _, noise) => two(side, noise, 0, { brakePeak: 0.9 + noise() / 50 })),
      more,
    );
  expect(change(same()).sentence).toMatch(/^No difference shown: if a lap differs, by less than 0\.\d\d s$/);
  expect(change(same({ named: 'brakePeak' })).sentence).toMatch(/if brake peak differs, by less than/);
  expect(change(compare([])).sentence).toBe('Too few counted laps to compare');
  const once = compare(rides('AB', (side, _, noise) => [...two(side, noise, -3), ...two(side, noise, -3)]));
  expect(change(once, { sides: { ridesA: 1, ridesB: 1 } }).sentence).toMatch(/^In ride B a lap is/);
  expect(change(once).remarks.join()).toContain('can’t tell the setting from the ride');
  expect(trustSentence(once.measures, { ridesA: 1, ridesB: 1 })).toContain('both are counted in');
  expect(trustSentence(same().measures, { ridesA: 2, ridesB: 2 }, { isChanged: false })).toContain(
    'what differs is spread',
  );
  expect(trustSentence(clear.measures, { ridesA: 4, ridesB: 4 })).toContain('5 % over all of them');
  expect(trustSentence(clear.measures, { ridesA: 4, ridesB: 4 }, { isEarly: true })).toContain(
    'the stricter level that each look costs',
  );
  const onlyPeak = compare(
    rides('ABBA', (side) =>
      [0, 1].map((k) => [null!, { brakePeak: 0.9 + k / 1e6 + (side === 'B' ? 1e-4 : 0) }]),
    ),
  );
  const noTime: RidesCompared = {
    ...onlyPeak,
    measures: onlyPeak.measures.filter(({ name }) => name === 'brakePeak'),
  };
  expect(change(noTime).sentence).toContain('brake peak differs by less than can be read');
  const weak = {
    ...noTime,
    measures: noTime.measures.map((m) => ({ ...m, verdict: 'no difference shown' as const })),
  };
  expect(change(weak).sentence).toBe('No difference shown');
});

it('says what claims rest on, and why a measure or a ride is left out', () => {
  const six = compare(rides('ABBAABBAABBA', (side, _, noise) => two(side, noise, -1)));
  expect(change(six).remarks[0]).toMatch(/^From six pairs on, what is claimed is decided by/);
  const only = {
    ...six,
    measures: six.measures.map((m) => ({ ...m, verdict: 'no difference shown' as const, isOnlyModel: true })),
    crossCheck: { pMax: 0.2, agrees: false },
  };
  expect(change(only).remarks[1]).toContain('Lap time: the model alone would claim a difference');
  expect(change(only).sentence).toMatch(/^No difference shown/);
  const four = compare(rides('ABBAABBA', (side, _, noise) => two(side, noise, -1)));
  expect(change(four).remarks[0]).toMatch(
    /It stands as long as rides spread less than \d+\.\d \(lap time\) times as much/,
  );
  const unlike = compare(
    rides('ABBA', (side, _, noise) =>
      side === 'A' ? two(side, noise) : [...two(side, noise), ...two(side, noise)],
    ),
  );
  expect(change(unlike).remarks.join()).toContain('unlike numbers of laps');
  const unknown = compareRides(
    rides('ABBA', (side, _, noise) => two(side, noise)),
    { isOrderKnown: false },
  );
  expect(change(unknown).remarks[0]).toContain('order of driving is not known');
  const partly = compare(
    rides('ABBA', (side, i, noise) =>
      two(side, noise).map(([t], k) => [
        t,
        {
          ...(side === 'A' ? { brakePeak: 1 } : { throttleRate: 1 }),
          ...(i < 2 && k === 0 ? { steeringTwitch: 1 } : {}),
          ...(k === 0 ? { catchTimeS: 1 } : {}),
        },
      ]),
    ),
  );
  const missing = change(partly, {
    leftOut: [
      { ride: 2, why: 'no log' },
      { ride: 3, why: 'other road' },
      { ride: 4, why: 'other software' },
    ],
    strayLogs: 2,
  }).remarks.join('\n');
  for (const text of [
    'no counted lap of B',
    'no counted lap of A',
    'two counted laps a side',
    'five counted laps in all',
    'Ride 2 has no log',
    'Ride 3 was driven on another road',
    'Ride 4 is of a pair in the middle of which',
    '2 logs belong',
  ])
    expect(missing).toContain(text);
  // All of A first, each of one lap, with all of a trend: B is the trend.
  const confused: RidesCompared = {
    ...six,
    untold: [{ name: 'lapTimeS', label: 'Lap time', unit: 's', why: 'no order', nA: 3, nB: 3 }],
  };
  expect(change(confused).remarks.join()).toContain('cannot be told from the trend');
  const none: RidesCompared = {
    ...six,
    untold: [{ name: 'lapTimeS', label: 'Lap time', unit: 's', why: 'no laps of A', nA: 0, nB: 0 }],
  };
  // What no lap can tell is not worth a line on the page; the command line says it in its table.
  expect(change(none).remarks.join()).not.toContain('no counted lap can tell');
});

it('says where on the road they differ', () => {
  const difference = Array<number>(50).fill(0.5);
  expect(alongSentence({ channel: 'brake', shown: [], difference }, 10, 5)).toContain('from 6 pairs on');
  expect(alongSentence({ channel: 'brake', shown: [], difference }, 10, 6)).toContain('nowhere on the road');
  expect(alongSentence({ channel: 'speed_mps', shown: [{ fromM: 20, toM: 60 }], difference }, 10, 6)).toBe(
    'Speed differs at 20 to 60 m (+1.8 km/h): the 95 % band, which holds in every place and channel at once, excludes 0 there.',
  );
  const places = [{ corner: 1, fromM: 30, toM: 50, atM: 40, hasKerb: true }];
  expect(
    alongSentence({ channel: 'brake', shown: [{ fromM: 20, toM: 60 }], difference }, 10, 6, places),
  ).toContain('20 to 60 m in corner 1 with its kerb (+50.0 %)');
  const clips = { a: [0, 0.2, 0, 1, 0.9, 0], b: [0, 0, 0, 0.5, 0, 0] };
  expect(clipsSentence(clips, 10, places)).toBe(
    'The force clips in most laps of A in corner 1 with its kerb, of B nowhere.',
  );
  expect(clipsSentence({ a: [1], b: [1] }, 10, [])).toContain('of A at 0 m, of B at 0 m');
  expect(clipsSentence({ a: [0], b: [0] }, 10, places)).toBeNull();
});

it('a blind test says what it showed, and what its silence is worth', () => {
  const plan = (question: 'discriminate' | 'like'): ExperimentPlan => ({
    ...PAIRS,
    question,
    way: 'helper',
    pairs: 16,
  });
  const score = (more: Partial<BlindScore>): BlindScore => ({
    ...{ pairs: 8, right: 7, wrong: 1, none: 0, score: 24, highest: 24.2, verdict: 'shown', prefers: null },
    ...more,
  });
  const blind = (
    question: 'discriminate' | 'like',
    more: Partial<BlindScore>,
    state: ExperimentState = 'over',
    holds: boolean | null = true,
  ) => {
    const one = shown(
      plan(question),
      { kind: 'blind', score: score(more), orders: ['AB'], commitmentHolds: holds },
      state,
    );
    return [experimentSentence(view, one), ...experimentRemarks(view, one)].join(' ');
  };
  expect(blind('discriminate', {})).toContain('You can tell: 7 of 8 right');
  expect(blind('discriminate', {})).toContain('promised before the first ride');
  expect(blind('like', { prefers: 'A', right: 1, wrong: 7 })).toContain('You like A better: 7 of 8 pairs');
  expect(blind('discriminate', { verdict: 'not shown' })).toContain(
    'would have shown it 93 times out of 100',
  );
  expect(blind('like', { verdict: 'not shown' })).toContain('No preference shown');
  expect(blind('discriminate', { verdict: 'open', pairs: 3 }, 'given up')).toContain(
    'Given up after 3 pairs',
  );
  expect(blind('discriminate', {}, 'over', false)).toContain('not those that were promised');
  expect(
    experimentSentence(
      view,
      shown(
        plan('discriminate'),
        { kind: 'blind', score: score({ verdict: 'open' }), orders: [], commitmentHolds: null },
        'given up',
      ),
    ),
  ).toContain('in no backup');
  expect(experimentSentence(view, shown(plan('discriminate'), null, 'open'))).toBe('Pair 2 of at most 16');
});

it('before its end a comparison tells nothing that nobody asked to look at', () => {
  expect(experimentSentence(view, shown(PAIRS, null, 'open'))).toBe(
    'Under way: nobody has looked before its end',
  );
});

it('says where firmware or the title changed in between', () => {
  const one = { ...shown(PAIRS, null, 'open'), softwareChanged: [5] };
  expect(experimentRemarks(view, one).join()).toContain('changed before ride 5');
});

it('ratings say their differences, and claim only what their flips carry', () => {
  const rated = (differences: number[], p: number | null) => {
    const mean = differences.reduce((sum, d) => sum + d, 0) / differences.length;
    const one = {
      ...shown(PAIRS, null, 'open'),
      rated: [{ dimension: 'weight' as const, differences, mean, p }],
    };
    return experimentRemarks(view, one).join();
  };
  expect(rated([1, -2], null)).toMatch(
    /B against A pair by pair: \+1, .2\. Of 2 pairs nothing can be claimed/,
  );
  expect(rated([2, 2, 2, 2, 2, 2], 0.03)).toContain('B was rated higher, by 2.0 on average');
  expect(rated([-2, -2, -2, -2, -2, -2], 0.03)).toContain('A was rated higher');
  expect(rated([0, 1, 0, -1, 0, 0], 1)).toContain('no difference shown');
});

it('a search says where the best lies, or that there is none', () => {
  const plan: ExperimentPlan = {
    question: 'best',
    way: 'title',
    settings: [{ key: KEY, min: 0, max: 60, step: 1 }],
    seed: 1,
    lapsPerRide: 1,
  };
  const search = (more: Partial<FinderAnswer>, state: ExperimentState = 'over') => {
    const found: FinderAnswer = {
      ...{
        state: 'found',
        next: null,
        best: { [KEY]: { value: 20, low: 15, high: 25 } },
        jnd: { [KEY]: 4.2 },
      },
      ...{ evidence: 5, isCheck: false, apart: {} },
      ...more,
    };
    const one = shown(plan, { kind: 'best', found, rides: [] }, state);
    return [experimentSentence(view, one), ...experimentRemarks(view, one)].join('. ');
  };
  expect(search({})).toBe(
    'Your best brake ebb lies between 15 and 25; inside that you can’t tell them apart. What you just notice, three times in four, is about 4.2 of brake ebb; your answers leave 1.9 to 8.4 open (90 %).',
  );
  expect(search({ state: 'no preference' })).toContain('don’t follow this setting: leave it');
  expect(search({ state: 'searching' }, 'open')).toContain('Ride 4 of the search');
  expect(search({ state: 'searching' }, 'given up')).toContain('Given up after 3 rides');
  expect(search({ apart: { [KEY]: { preferred: 20, wished: 40 } } })).toContain('the preference is believed');
});

it('what is just noticed is told with all that the answers leave open, and of few pairs not at all', () => {
  const plan: ExperimentPlan = {
    ...{ question: 'jnd', way: 'here', at: 4, lapsPerRide: 1, stretch: 'bend' },
    setting: { key: KEY, min: 0, max: 60, step: 1 },
  };
  const noticed = (
    pairs: number,
    state: ExperimentState = 'over',
    holds: boolean | null = true,
    told = { jnd: 4.23, low: 3.08, high: 5.91 },
    isKnown = pairs >= 18,
  ) => {
    const one = shown(
      plan,
      {
        ...{ kind: 'jnd', told, isKnown, commitmentHolds: holds },
        pairs: Array.from({ length: pairs }, (_, place) => ({ place, apart: 4, isRight: place % 4 > 0 })),
        orders: Array.from({ length: pairs }, () => 'AB' as const),
      },
      state,
    );
    return [experimentSentence(view, one), ...experimentRemarks(view, one)].join('. ');
  };
  expect(noticed(34)).toBe(
    'You just notice a change of 4.2 in brake ebb; your answers leave 3.1 to 5.9 open. So great a change is named right three times in four, felt in the wheel’s angle and the pedals; the interval holds nine times in ten.. The orders are those that were promised before the first ride.',
  );
  // Whoever tells nothing apart is not told that they notice what was never tried.
  expect(noticed(34, 'over', true, { jnd: 35, low: 18.2, high: 60.5 })).toMatch(
    /^You hardly notice a change of less than 18\.2 in brake ebb; what you do notice was not found within its menu/,
  );
  expect(noticed(5, 'given up')).toMatch(/^Given up after 5 pairs: too few/);
  // Broken off early the interval reaches beyond the menu because little was asked, not because nothing is noticed.
  expect(noticed(8, 'over', true, { jnd: 9, low: 0.7, high: 107 })).toMatch(
    /^Given up after 8 pairs: too few/,
  );
  expect(noticed(12, 'over', true, { jnd: 70, low: 36, high: 250 })).toMatch(
    /^You hardly notice a change of less than 36/,
  );
  expect(noticed(18, 'over', true, { jnd: 0.3, low: 0.1, high: 0.8 })).toBe(
    'You notice every step of brake ebb: a change of 1 is the least that its menu has. The orders are those that were promised before the first ride.',
  );
  expect(noticedText(view, KEY, { value: 9, low: 0.7, high: 107 })).toMatch(/everything from 0\.7 on/);
  expect(noticed(34, 'over', false)).toMatch(/not those that were promised/);
  expect(noticed(0, 'given up', null)).toMatch(/in no backup/);
  expect(experimentSentence(view, shown(plan, null, 'open'))).toBe('Pair 2 of at most 60');
});

it('what a setting does is no more than a direction', () => {
  const plan: ExperimentPlan = {
    question: 'explore',
    way: 'title',
    setting: { key: KEY, min: 0, max: 60, step: 1 },
    back: 4,
    lapsPerRide: 1,
  };
  const what = (summary: Measured | null) =>
    experimentSentence(view, shown(plan, { kind: 'explore', rides: [{ value: 0, summary, wants: null }] }));
  expect(what(NOTHING)).toBe('Brake ebb at 0 and at 60, one ride each: it shows the direction, not more');
  expect(what(null)).toContain('only you know what it did');
});

it('of several changes it says which to put back next, and which it was', () => {
  const road = { kind: 'described', id: 'saltmarsh-loop' } as const;
  const driven = (id: string, settings: Record<string, number>, timeS: number) => ({
    id,
    road,
    settings,
    measures: { laps: [timeS, timeS + 0.1, timeS + 0.05].map((t) => lap(t)) },
  });
  const [one, other] = ['title/brake/deadzone', 'title/brake/saturation'];
  const a = driven('a', { [one!]: 0, [other!]: 0 }, 92);
  const b = driven('b', { [one!]: 4, [other!]: 9 }, 90);
  const compared = compare([
    { side: 'A', laps: a.measures.laps },
    { side: 'B', laps: b.measures.laps },
  ]).measures;
  const apart = (more: ReturnType<typeof driven>[], comparisons = compared) =>
    tellRidesApart(a, b, [a, b, ...more], [one!, other!], comparisons)!;
  const first = apart([]);
  expect(first).toMatchObject({ found: null, next: [one], rides: 0, isHard: false });
  const told = (of: typeof first) => apartText(of, (keys) => keys.join(' and '));
  expect(told(first)[0]).toContain(one);
  expect(apart([driven('c', { [one!]: 0, [other!]: 9 }, 92)])).toMatchObject({
    found: one,
    next: null,
    rides: 1,
  });
  expect(apart([driven('c', { [one!]: 0, [other!]: 9 }, 90)]).found).toBe(other);
  expect(apart([driven('c', { [one!]: 0, [other!]: 5 }, 92)]).rides).toBe(0);
  expect(told(apart([driven('d', { [one!]: 0, [other!]: 9 }, 92)]))).toHaveLength(1);
  const wide = compared.map((c) => (c.name === 'lapTimeS' ? { ...c, se: 5 * c.se } : c));
  const hard = apart(
    [],
    wide.map((c) => ({ ...c, se: 20 * c.se })),
  );
  expect(hard.isHard).toBe(true);
  expect(told(hard)).toHaveLength(2);
  expect(tellRidesApart(a, b, [], [one!], compared)).toBeNull();
});

it('the force of both is said to be computed', () => {
  const side: SideForce = {
    ...{ clipShare: 0, sustainedShare: 0, cornerNm: 6, detail: 1, roughness: 1 },
    ...{ roll: 'settles', fast: 'settles', halfTurnS: 0.2 },
  };
  const whole = (b: SideForce) => ({ a: side, b, isSameLaps: true, rides: 1, rateHz: 100 });
  const of = (b: SideForce) => forceSentence(whole(b));
  expect(of({ ...side, cornerNm: 5 })).toContain('Computed, not tested');
  expect(of(side)).toContain('Computed, not tested');
  expect(forceSentence({ ...whole(side), isSameLaps: false })).toContain('own laps');
  expect(forceSource(whole(side))).toContain('one ride logged (100 rows a second)');
  expect(forceSource({ ...whole(side), rateHz: null })).toContain('No ride logged its force');
});

it('of a setting it says all that is known, and what would hardly be noticed', () => {
  const known = { key: KEY, rows: [], best: null, isIndifferent: false, noticed: null };
  const best = { value: 20, low: 15, high: 25 };
  expect(knownSentence(view, { ...known, best })).toContain('between 15 and 25');
  expect(knownSentence(view, { ...known, isIndifferent: true })).toContain('don’t follow it');
  expect(knownSentence(view, known)).toContain('nothing was asked');
  const row = {
    id: 'q',
    atMs: 1,
    question: 'discriminate' as const,
    tried: [],
    best: null,
    pair: null,
    sentence: '',
  };
  expect(knownSentence(view, { ...known, rows: [row] })).toContain('nothing was compared');
  expect(knownRemark({ rows: [row] })).not.toBe(knownRemark({ rows: [row, row] }));
  const names = { rig: '', title: 'Causeway', car: '', driver: 'Late shift' };
  expect(knownNoticed({ ...view, names }, known)).toContain('not known yet');
  const noticed = { [KEY]: { value: 4, low: 2, high: 8, from: 'search' as const } };
  expect(hardlyNoticed({ ...view, known: noticed }, KEY, 1, 2)).toContain('less than 2.0');
});

it('every sentence is reached, and none is empty or says undefined', () => {
  const lapTime = compare([]).untold.find(({ label }) => label === 'Lap time')!;
  expect(missingText(lapTime)).toMatch(/no counted lap can tell it/);
  expect(rideHow({ isCheck: true })).toMatch(/feel it at all/);
  expect(rideHow({ isCheck: false })).not.toMatch(/feel it at all/);
  expect(Object.keys(SENTENCES).filter((key) => !said.has(key))).toEqual([]);
  for (const [key, text] of said)
    expect([key, /undefined|NaN|null|Infinity/.test(text), text.length > 3]).toEqual([key, false, true]);
});
