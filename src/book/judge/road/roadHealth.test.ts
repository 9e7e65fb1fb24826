import { carById, simulatedRigById, titleById } from '@/catalog/find';
import { menusFor } from '@/catalog/menusFor';
import { PREFLIGHT } from '@/catalog/preflight';
import type { AxisAnalysis } from '@/core/axes/analyseAxis';
import { preflightStamp } from '@/core/ready/preflight';
import { plainRig } from '@/core/rig/rigSpec';
import { effectiveResponse } from '@/core/response/compose';
import { NEUTRAL_LAYER } from '@/core/response/layer';
import type { CaptureView } from '../../model/axisView';
import type { MeasuredLap } from '@/core/rides/measureRide';
import { MEASURES } from '@/core/rides/measures';
import { axisToLookAt } from './axes';
import { roadHealth, type RoadFacts } from './roadHealth';

const spec = plainRig({ kind: 'simulated', rig: 'tern' });
const stamp = preflightStamp(spec, '');
const capture = (analysis: object) => ({ analysis: analysis as AxisAnalysis }) as CaptureView;
const DRAGS = { axis: 'brake', coverTravel: { median: 0.03, p995: 0.036 }, roughSpots: [] };
const FINE = { axis: 'throttle', coverTravel: null, roughSpots: [] };
const advice = (parameter: 'deadzone' | 'saturation') => ({
  parameter,
  // Menus call it as they like.
  key: { layer: 'title', axis: 'brake', field: 'x' } as const,
  label: parameter,
  from: 0,
  to: 5,
  evidence: '',
});

function axis(
  name: 'brake' | 'throttle',
  more: Partial<RoadFacts['axes'][number]> = {},
): RoadFacts['axes'][number] {
  return {
    axis: name,
    by: 'feet',
    name: name === 'brake' ? 'Brake' : 'Throttle',
    capture: null,
    problems: [],
    draft: null,
    menus: { title: { dialect: titleById('causeway').dialects[name], drawsCurve: false } },
    effective: effectiveResponse([NEUTRAL_LAYER]),
    recommendations: [],
    declined: [],
    ...more,
  };
}
/** Three laps, each a little different; nothing but their time is known. */
const laps = (timeS: number, seed = 0) =>
  [0, 1, 2].map((lap) => ({
    lap,
    timeS: timeS + 0.1 * ((7 * (lap + seed)) % 3),
    counted: true,
    why: null,
    measures: Object.fromEntries(MEASURES.map(({ name }) => [name, null])),
  })) as unknown as MeasuredLap[];
let driven = 0;
const ride = (mark: 'A' | 'B' | null, settings = {}, timeS = 90): RoadFacts['rides'][number] => ({
  id: `ride-${++driven}`,
  atMs: 1000 * driven,
  mark,
  road: { kind: 'described', id: 'saltmarsh-loop' } as const,
  settings,
  measures: { laps: laps(timeS, driven) },
});
const newest = (more: object = {}): RoadFacts['newestRide'] =>
  ({
    settings: {},
    counted: 1,
    clipping: null,
    summary: { brakeDrag: 0, brakePeak: 0.9, brakeReach: 0, lapTimeS: 90, brakeSpread: null },
    ...more,
  }) as unknown as RoadFacts['newestRide'];
const STILL = { roll: { verdict: 'settles', fromDeg: 5 }, fast: { verdict: 'settles', fromDeg: 5 } } as const;
const factsOf = (facts: Partial<RoadFacts>): RoadFacts => ({
  typedIn: null,
  title: titleById('causeway'),
  car: carById('marl-850'),
  menus: menusFor(simulatedRigById('wren').spec, titleById('causeway'), carById('marl-850')),
  rotation: { baseDeg: 900, titleDeg: 900, carDeg: 900, carOwnDeg: 900, isStretch: false },
  trackId: 'saltmarsh-loop',
  ownTrack: null,
  schools: {
    rotation: 'own',
    clipping: 'trade',
    smoothing: 'smooth',
    spring: 'off',
    weight: 'light',
  },
  settings: {},
  origins: {},
  ready: { ticks: [], stamp, titleVersion: '', reminder: null },
  proof: null,
  rig: { id: 'wren', name: 'Wren', spec },
  motion: STILL,
  newestRide: null,
  asking: null,
  axes: [axis('throttle'), axis('brake')],
  rides: [],
  rideCount: facts.rides?.length ?? 0,
  ...facts,
});
const said = (facts: Partial<RoadFacts>) =>
  Object.fromEntries(roadHealth(factsOf(facts)).map((s) => [s.id, `${s.health}: ${s.reason}`]));
const ticks = (state = stamp) => PREFLIGHT.map(({ id }) => ({ itemId: id, atMs: 1, state }));
const proof = (passed: boolean, isStale = false) => ({
  id: 'p',
  atMs: 1,
  basis: '',
  isStale,
  results: [{ item: { axis: 'brake' as const, kind: 'rest' as const }, passed, shown: 0 }],
});

it('starts untouched, with the reason', () => {
  expect(said({})).toMatchObject({
    axes: 'untouched: Nothing measured yet',
    shape: 'untouched: All at neutral',
    ride: 'untouched: No laps yet',
    verdict: 'untouched: Two rides make a pair',
  });
  expect(said({})['ready']).toMatch(/^untouched: \d+ things to check$/);
});

it('Ready is settled by its ticks, asks again after an update, and remembers a rotation to put back', () => {
  expect(said({ ready: { ticks: ticks(), stamp, titleVersion: '', reminder: null } })['ready']).toBe(
    'settled: All in order',
  );
  const later = { ...stamp, 'title-version': '1.2' };
  expect(
    said({ ready: { ticks: ticks(), stamp: later, titleVersion: '1.2', reminder: null } })['ready'],
  ).toBe('look: The title was updated since');
  const reminder = { restoreDeg: 1080, sinceMs: 1 };
  expect(said({ ready: { ticks: ticks(), stamp, titleVersion: '', reminder } })['ready']).toBe(
    'look: Put the rotation back to 1080°',
  );
});

const throttle = axis('throttle', { capture: capture(FINE) });
const brake = (more: Partial<RoadFacts['axes'][number]>) => [
  throttle,
  axis('brake', { capture: capture(DRAGS), ...more }),
];
it.each<[string, Partial<RoadFacts>, string]>([
  [
    'a draft',
    { axes: brake({ draft: { id: 'd', madeAtMs: 1 } }) },
    'under-way: Brake capture waits to go on',
  ],
  [
    'a drag before a short reach',
    { axes: brake({ recommendations: [advice('deadzone'), advice('saturation')] }) },
    'look: Brake drags under a resting foot',
  ],
  [
    'a short reach',
    { axes: brake({ recommendations: [advice('saturation')] }) },
    'look: Full brake is out of reach',
  ],
  ['one axis missing', { axes: [throttle, axis('brake')] }, 'under-way: Brake not measured yet'],
  ['nothing proved', { axes: brake({}) }, 'under-way: All measured, not proved yet'],
  ['a failed proof', { axes: brake({}), proof: proof(false) }, 'look: The check found a fault'],
  ['a stale proof', { axes: brake({}), proof: proof(true, true) }, 'under-way: Changed since the check'],
  ['a proof that stands', { axes: brake({}), proof: proof(true) }, 'settled: Settled and signed'],
])('Axes says %s', (_, facts, expected) => {
  expect(said(facts)['axes']).toBe(expected);
});

it('a proposal that is not for this driver is no fault and no end that waits, and what is so is still said', () => {
  const waved = brake({ recommendations: [advice('deadzone')], declined: ['deadzone'] });
  expect(said({ axes: waved, proof: proof(true) })['axes']).toBe('settled: Settled and signed');
  expect(said({ axes: [waved[1]!], proof: null })['shape']).toBe('untouched: All at neutral');
  const half = brake({ recommendations: [advice('deadzone'), advice('saturation')], declined: ['deadzone'] });
  expect(said({ axes: half })['shape']).toBe('under-way: Saturation 0 → 5 is open');
});

it('who waves one proposal away is still told what no setting mends', () => {
  const worn = capture({ ...DRAGS, roughSpots: [{ from: 0.5, to: 0.6, ratio: 5 }] });
  const waved = { capture: worn, recommendations: [advice('deadzone')], declined: ['deadzone' as const] };
  expect(said({ axes: brake(waved), proof: proof(true) })['axes']).toBe(
    'look: Brake track is rough in places',
  );
});

it('opens the axis that needs a look before one that is missing', () => {
  const [a, b] = brake({ recommendations: [advice('deadzone')] });
  expect(axisToLookAt([a!, b!]).axis).toBe('brake');
  expect(
    axisToLookAt([axis('throttle'), axis('brake', { capture: capture({ ...DRAGS, coverTravel: null }) })])
      .axis,
  ).toBe('throttle');
});

it('Shape says what is set, and what is open before that', () => {
  const set = {
    axes: [throttle, axis('brake')],
    settings: { 'title/brake/deadzone': 5, 'title/brake/saturation': 17 },
  };
  expect(said(set)['shape']).toBe('settled: Brake ebb 5, brake flood 17');
  expect(said({ ...set, axes: brake({ recommendations: [advice('saturation')] }) })['shape']).toBe(
    'under-way: Saturation 0 → 5 is open',
  );
  expect(
    said({ axes: brake({ recommendations: [advice('deadzone'), advice('saturation')] }) })['shape'],
  ).toBe('under-way: 2 changes are open');
});

it('Ride says that something changed, then what the newest ride says of the brake', () => {
  expect(said({ newestRide: newest(), settings: { 'title/brake/deadzone': 5 } })['ride']).toBe(
    'under-way: Changed since the last ride',
  );
  const drags = { brakeDrag: 0.97, brakePeak: 0.9, brakeReach: 0 };
  expect(said({ newestRide: newest({ summary: drags }) })['ride']).toBe(
    'look: Brake on in 97 % of full throttle',
  );
  expect(said({ newestRide: newest({ counted: 0 }) })['ride']).toBe('look: No lap counts');
  expect(said({ newestRide: newest(), rideCount: 3 })['ride']).toBe('settled: 1 lap counted, 3 rides in all');
});

it('Verdict counts what differs between A and B, and one ride a side is no end', () => {
  const [a, b] = [ride('A'), ride('B', { 'title/brake/deadzone': 5 })];
  expect(said({ rides: [a, b] })['verdict']).toBe('under-way: No difference shown, one ride a side');
  const again = [ride(null, b.settings), ride(null)];
  expect(said({ rides: [a, b, ...again] })['verdict']).toBe('settled: No difference shown');
  const [quick, once] = [ride(null, b.settings, 85), ride('B', b.settings, 85)];
  expect(said({ rides: [a, once, quick, ride(null)] })['verdict']).toBe('settled: 1 of 1 measures differ');
  const two = ride('B', { 'title/brake/deadzone': 5, 'title/brake/saturation': 3 });
  expect(said({ rides: [a, ride(null, { 'title/brake/deadzone': 5 }), two] })['verdict']).toBe(
    'look: 2 changes between A and B',
  );
  expect(said({ rides: [a, { ...b, road: { kind: 'own', name: 'evening.csv' } }] })['verdict']).toBe(
    'untouched: A and B are of different roads',
  );
});

it('Force: a rim that moves and a dead control are called out before any ride', () => {
  const tern = menusFor(simulatedRigById('tern').spec, titleById('causeway'), carById('marl-850'));
  expect(said({})['force']).toBe('untouched: No ride judged yet');
  expect(said({ menus: tern, settings: { 'title/steering/titleDamper': 30 } })['force']).toBe(
    'look: Calming does nothing',
  );
  const motion = { ...STILL, fast: { verdict: 'saws', fromDeg: 2 } } as const;
  const described = { ...spec, base: { ...spec.base, torqueNm: 2.2 } };
  expect(said({ motion, rig: { id: 'wren', name: 'Wren', spec: described } })['force']).toBe(
    'look: Let go, the rim saws',
  );
  // Nobody said what this base is.
  expect(said({ motion })['force']).toBe('under-way: Base not written down; a usual one saws');
});

it('Lock is not settled on a rotation that nobody measured', () => {
  expect(said({})['lock']).toBe('under-way: 900° assumed, not measured');
});

it('whatever is wrong, station and road say it in one judgement: a heading stands beside every reason', () => {
  for (const { reason, heading } of roadHealth(factsOf({}))) {
    expect(reason).not.toBe('');
    expect(heading).not.toBe('');
  }
});
