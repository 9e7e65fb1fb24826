import { carById, simulatedRigById, titleById } from '@/catalog/find';
import { menusFor } from '@/catalog/menusFor';
import { PREFLIGHT } from '@/catalog/preflight';
import type { AxisAnalysis } from '@/core/axes/analyseAxis';
import { preflightStamp } from '@/core/ready/preflight';
import { plainRig } from '@/core/rig/rigSpec';
import { effectiveResponse } from '@/core/response/compose';
import { NEUTRAL_LAYER } from '@/core/response/layer';
import type { CaptureView } from '../model/axisView';
import { axisToLookAt, roadHealth, type RoadFacts } from './stationHealth';

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
    name: name === 'brake' ? 'Brake' : 'Throttle',
    capture: null,
    problems: [],
    draft: null,
    menus: { title: { dialect: titleById('causeway').dialects[name], drawsCurve: false } },
    effective: effectiveResponse([NEUTRAL_LAYER]),
    recommendations: [],
    ...more,
  };
}
const ride = (mark: 'A' | 'B' | null, settings = {}, changed: string[] = []) => ({
  mark,
  road: { kind: 'described', id: 'saltmarsh-loop' } as const,
  settings,
  changed,
  clipping: null,
  measures: { laps: [{ counted: true }, { counted: false }] },
});
const said = (facts: Partial<RoadFacts>) =>
  Object.fromEntries(
    roadHealth({
      typedIn: null,
      title: titleById('causeway'),
      car: carById('marl-850'),
      menus: menusFor(simulatedRigById('wren').spec, titleById('causeway'), carById('marl-850')),
      rotation: { baseDeg: 900, titleDeg: 900, carDeg: 900, carOwnDeg: 900, isStretch: false },
      trackId: 'saltmarsh-loop',
      schools: {
        rotation: 'own',
        clipping: 'trade',
        smoothing: 'smooth',
        spring: 'off',
        weight: 'light',
      },
      settings: {},
      ready: { ticks: [], stamp, titleVersion: '', reminder: null },
      proof: null,
      rig: { spec },
      axes: [axis('throttle'), axis('brake')],
      rides: [],
      rideCount: facts.rides?.length ?? 0,
      ...facts,
    }).map((s) => [s.id, `${s.health}: ${s.reason}`]),
  );
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

it('opens the axis that needs a look before one that is missing', () => {
  const [a, b] = brake({ recommendations: [advice('deadzone')] });
  expect(axisToLookAt([a!, b!]).axis).toBe('brake');
  expect(
    axisToLookAt([axis('throttle'), axis('brake', { capture: capture({ ...DRAGS, coverTravel: null }) })])
      .axis,
  ).toBe('throttle');
});

it('Shape and Ride say what is set, and that something changed since the last ride', () => {
  const set = said({
    axes: [throttle, axis('brake')],
    settings: { 'title/brake/deadzone': 5, 'title/brake/saturation': 17 },
    rides: [ride('A')],
  });
  expect(set['shape']).toBe('settled: Brake dead zone 5, brake saturation 17');
  expect(set['ride']).toBe('under-way: Changed since the last ride');
  expect(
    said({ settings: { 'brake/deadzone': 5 }, rides: [ride('A', { 'brake/deadzone': 5 })] })['ride'],
  ).toBe('settled: 1 lap counted');
  expect(said({ rides: [ride('A'), ride('B', {}, ['a', 'b'])] })['verdict']).toBe(
    'look: 2 changes in one ride',
  );
  expect(
    said({ rides: [ride('A'), { ...ride('B'), road: { kind: 'own', name: 'evening.csv' } }] })['verdict'],
  ).toBe('untouched: A and B are of different roads');
});

it('a dead control is called out before any ride; then the newest ride says how much was clipped', () => {
  const tern = menusFor(simulatedRigById('tern').spec, titleById('causeway'), carById('marl-850'));
  const judged = (clipShare: number, sustainedShare: number) => ({
    ...ride('A'),
    clipping: { clipShare, sustainedShare, headroomDb: 0, gainKeepEveryPeak: 1, gainTradeBiggestHits: 1 },
  });
  expect(said({})['force']).toBe('untouched: No ride judged yet');
  expect(said({ menus: tern, settings: { 'title/steering/titleDamper': 30 } })['force']).toBe(
    'look: Damper does nothing',
  );
  expect(said({ rides: [judged(0, 0), judged(0.03, 0.001)] })['force']).toBe(
    'look: 3.0 % of the last ride clipped',
  );
  expect(said({ rides: [judged(0.015, 0.001), ride('B')] })['force']).toBe(
    'settled: 1.5 % of the last ride clipped',
  );
});
