import { PREFLIGHT } from '@/catalog/preflight';
import { isSettled, preflight, type Sights } from '@/core/ready/preflight';
import type { AxisName } from '@/core/axes/axes';
import { responseParameterOf } from '@/core/response/dialect';
import { changedBetween, keyText, LAYERS, POINTS_FIELD } from '@/core/settings/setting';
import { valueText } from '@/core/settings/trail';
import { clipsTooMuch, deadNames } from './force';
import { isLockSettled, isLockWrong, lockReason } from './lock';
import type { AxisView } from '../model/axisView';
import { date } from '@/words/format';
import { percent } from '@/core/text/percent';
import type { BookView } from '../model/bookView';
import type { RideView } from '../model/rideView';
import { markedRides } from './markedRides';
import type { Health, StationHealth } from '../model/stationHealth';

/** What the road looks at: a part of the book. */
export type RoadFacts = Pick<
  BookView,
  'typedIn' | 'title' | 'trackId' | 'car' | 'menus' | 'rotation' | 'schools' | 'settings' | 'ready' | 'proof'
> & {
  rig: Pick<BookView['rig'], 'spec'>;
  axes: Pick<
    AxisView,
    'axis' | 'name' | 'capture' | 'problems' | 'draft' | 'menus' | 'effective' | 'recommendations'
  >[];
  /** The newest of all rides, as many as are looked at. */
  rideCount: number;
  rides: (Pick<RideView, 'mark' | 'road' | 'settings' | 'changed' | 'clipping'> & {
    measures: { laps: { counted: boolean }[] };
  })[];
};

type Finding = Pick<StationHealth, 'health' | 'reason'>;

/** State and reason of every station, in working order. */
export function roadHealth(facts: RoadFacts): StationHealth[] {
  const axis = axisToLookAt(facts.axes)?.axis;
  return [
    { id: 'ready', name: 'Ready', path: '/ready', ...readyHealth(facts) },
    { id: 'axes', name: 'Axes', path: axis ? `/axes/${axis}` : '/axes', ...axesHealth(facts) },
    { id: 'shape', name: 'Shape', path: '/shape', ...shapeHealth(facts) },
    { id: 'lock', name: 'Lock', path: '/lock', ...lockHealth(facts) },
    { id: 'force', name: 'Force', path: '/force', ...forceHealth(facts) },
    { id: 'ride', name: 'Ride', path: '/ride', ...rideHealth(facts) },
    { id: 'verdict', name: 'Verdict', path: '/verdict', ...verdictHealth(facts) },
    { id: 'card', name: 'Card', path: '/card', ...cardHealth(facts) },
  ];
}

/** The server sees no device: what the software could tick itself is left out here. */
const UNSEEN: Sights = {
  'device-present': null,
  'axes-alive': null,
  'all-at-rest': null,
  'steering-centred': null,
  'rotation-as-expected': null,
};

function readyHealth({ rig, title, ready }: RoadFacts): Finding {
  if (ready.reminder)
    return {
      health: 'look',
      reason: `Put the rotation back${ready.reminder.restoreDeg ? ` to ${ready.reminder.restoreDeg}°` : ''}`,
    };
  const items = preflight(PREFLIGHT, rig.spec, title, ready.ticks, ready.stamp, UNSEEN).filter(
    ({ item }) => !item.sees,
  );
  const open = items.filter((item) => !isSettled(item));
  const voided = open.find((item) => item.state === 'void');
  if (open.length === 0) return { health: 'settled', reason: 'All in order' };
  if (voided) return { health: 'look', reason: voided.why!.replace(/^./, (c) => c.toUpperCase()) };
  if (open.length === items.length) return { health: 'untouched', reason: `${open.length} things to check` };
  return { health: 'under-way', reason: `${open.length} of ${items.length} still to check` };
}

type AxisHealth = RoadFacts['axes'][number];

/** What is wrong with one axis, most pressing first; `null` where nothing is. */
const AXIS_FAULTS: ((axis: AxisHealth) => string | null)[] = [
  ({ problems, name }) => (problems.length > 0 ? `${name} capture cannot be read` : null),
  ({ capture, effective, recommendations, name }) => {
    const analysis = capture?.analysis;
    const cover = analysis && 'coverTravel' in analysis ? analysis.coverTravel : null;
    const drags =
      cover && cover.p995 > effective.deadzone && recommendations.some((r) => r.parameter === 'deadzone');
    return drags ? `${name} drags under a resting foot` : null;
  },
  ({ recommendations, name }) =>
    recommendations.some((r) => r.parameter === 'saturation')
      ? `Full ${name.toLowerCase()} is out of reach`
      : null,
  ({ capture, name }) =>
    capture && capture.analysis.roughSpots.length > 0 ? `${name} track is rough in places` : null,
  ({ capture, name }) => {
    const analysis = capture?.analysis;
    const bad = analysis?.axis === 'gear' && analysis.gates.some((g) => g.missed > 0 || g.doubles > 0);
    return bad ? `${name} misses or doubles gates` : null;
  },
];

/** The brake first: what is wrong with it costs the most. */
const PRESSING = ['brake', 'steering', 'throttle'];

function byUrgency(axes: AxisHealth[]): AxisHealth[] {
  const rank = ({ axis }: AxisHealth) => {
    const at = PRESSING.indexOf(axis);
    return at < 0 ? PRESSING.length : at;
  };
  return axes.toSorted((a, b) => rank(a) - rank(b));
}

/** The finding of one axis for its tab: a fault, or how far it is. */
export function axisHealth(axis: AxisHealth): Finding {
  if (axis.draft) return { health: 'under-way', reason: `${axis.name} capture waits to go on` };
  const fault = AXIS_FAULTS.map((look) => look(axis)).find((said) => said !== null);
  if (fault) return { health: 'look', reason: fault };
  if (!axis.capture) return { health: 'untouched', reason: `${axis.name} not measured yet` };
  return { health: 'settled', reason: `${axis.name} measured` };
}

function axesHealth({ axes, proof }: RoadFacts): Finding {
  const found = byUrgency(axes).map(axisHealth);
  const first = (health: Health) => found.find((finding) => finding.health === health);
  const pressing = first('under-way') ?? first('look');
  if (pressing) return pressing;
  const measured = found.filter((finding) => finding.health === 'settled').length;
  if (measured === 0) return { health: 'untouched', reason: 'Nothing measured yet' };
  const missing = first('untouched');
  if (missing) return { health: 'under-way', reason: missing.reason };
  if (!proof) return { health: 'under-way', reason: 'All measured, not proved yet' };
  if (proof.results.some((result) => !result.passed))
    return { health: 'look', reason: 'The check found a fault' };
  if (proof.isStale) return { health: 'under-way', reason: 'Changed since the check' };
  return { health: 'settled', reason: 'Settled and signed' };
}

/** The axis whose tab opens first. */
export function axisToLookAt<T extends AxisHealth>(axes: T[]): T {
  const ranked = byUrgency(axes) as T[];
  const by = (health: Health) => ranked.find((axis) => axisHealth(axis).health === health);
  return by('under-way') ?? by('look') ?? by('untouched') ?? ranked[0]!;
}

/** What of an axis is set away from neutral, on any layer; rotation is for Lock. */
function offNeutral(menus: AxisHealth['menus'], axis: AxisName, settings: BookView['settings']) {
  return LAYERS.flatMap((layer) => {
    const fields = menus[layer]?.dialect.fields ?? [];
    const drawn = settings[keyText({ layer, axis, field: POINTS_FIELD })];
    return [
      ...fields.flatMap((field) => {
        const value = settings[keyText({ layer, axis, field: field.key })];
        const isSet = value !== undefined && value !== field.neutral && responseParameterOf(field.maps);
        return isSet ? [{ label: field.label.toLowerCase(), value: valueText(value) }] : [];
      }),
      ...(drawn === undefined ? [] : [{ label: 'curve', value: 'drawn' }]),
    ];
  });
}

function shapeHealth({ axes, settings }: RoadFacts): Finding {
  const set = axes.flatMap(({ axis, menus, name }) =>
    offNeutral(menus, axis, settings).map(({ label, value }) => `${name.toLowerCase()} ${label} ${value}`),
  );
  if (set.length === 0) return { health: 'untouched', reason: 'All at neutral' };
  const isOpen = axes.some((axis) => axis.recommendations.length > 0);
  const said = set.length > 2 ? `${set.length} settings off neutral` : set.join(', ');
  return { health: isOpen ? 'under-way' : 'settled', reason: said.replace(/^./, (c) => c.toUpperCase()) };
}

function lockHealth(facts: RoadFacts): Finding {
  const reason = lockReason(facts);
  if (isLockWrong(facts)) return { health: 'look', reason };
  return { health: isLockSettled(facts) ? 'settled' : 'under-way', reason };
}

/** A dead control is seen at once; how strong the force is, the newest ride tells. */
function forceHealth(facts: RoadFacts): Finding {
  const [dead] = deadNames(facts);
  if (dead) return { health: 'look', reason: `${dead} does nothing` };
  const judged = facts.rides.findLast((ride) => ride.clipping)?.clipping;
  if (!judged) return { health: 'untouched', reason: 'No ride judged yet' };
  const clipped = `${percent(judged.clipShare, 1)} of the last ride clipped`;
  return clipsTooMuch(judged)
    ? { health: 'look', reason: clipped }
    : { health: 'settled', reason: judged.clipShare > 0 ? clipped : 'Nothing clipped last time' };
}

function rideHealth({ rides, rideCount, settings }: RoadFacts): Finding {
  const last = rides.at(-1);
  if (!last) return { health: 'untouched', reason: 'No laps yet' };
  const laps = rides.reduce((sum, ride) => sum + ride.measures.laps.filter((lap) => lap.counted).length, 0);
  if (changedBetween(last.settings, settings).length > 0)
    return { health: 'under-way', reason: 'Changed since the last ride' };
  const among = rideCount > rides.length ? ` in the newest ${rides.length} rides` : '';
  return { health: 'settled', reason: `${laps} lap${laps === 1 ? '' : 's'} counted${among}` };
}

function cardHealth({ typedIn }: RoadFacts): Finding {
  if (!typedIn) return { health: 'untouched', reason: 'Not typed in yet' };
  if (typedIn.since.length > 0) return { health: 'look', reason: 'Changed since it was typed in' };
  return { health: 'settled', reason: `Typed in on ${date(typedIn.atMs)}` };
}

function verdictHealth({ rides }: RoadFacts): Finding {
  const { a, b, pair } = markedRides(rides);
  if (!a || !b)
    return { health: 'untouched', reason: rides.length < 2 ? 'Two rides make a pair' : 'Mark an A and a B' };
  if (!pair) return { health: 'untouched', reason: 'A and B are of different roads' };
  if (b.changed.length > 1) return { health: 'look', reason: `${b.changed.length} changes in one ride` };
  return { health: 'settled', reason: 'One pair compared' };
}
