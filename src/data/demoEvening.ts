import { carById, simulatedRigById, titleById, trackById } from '@/catalog/find';
import { habitsOf } from '@/catalog/drivers';
import { menusFor } from '@/catalog/menusFor';
import { randomizedOrders, seededCoin, sidesOf } from '@/core/experiment/randomizedOrders';
import { freshPlan, type Decision } from '@/core/experiment/plan';
import type { PairPlan } from '@/core/experiment/questions/pairs';
import { chainOf } from '@/core/force/chainOf';
import { responseLayers } from '@/core/settings/menus';
import { usualScope, type Combination } from '@/core/settings/scope';
import { keyOfText, type SettingValues } from '@/core/settings/setting';
import { withDraft } from '@/core/settings/withDraft';
import type { RidePlan } from '@/core/vehicle/simulateRide';
import { addExperiment, addTrial, decideExperiment, endExperiment } from './experiments';
import { addRidePart, addRideRow, markRide, ridesOf } from './rides';
import { addChanges, listChanges, type RecordedEvent } from './changes';
import type { Database } from './database';
import { askWorker } from './serverWorker';
import { write } from './write';

/** The Late shift’s evening on the Gannet. */
export const EVENING: Combination = {
  rigId: 'gannet',
  titleId: 'hill-and-hollow',
  carId: 'spindrift-h4',
  driver: 'Late shift',
  branch: '',
};
export const EVENING_ROAD = 'cairn-brae';

const MINUTE_MS = 60_000;
const DAYS_AGO = 3;
const LAPS = 2;
/** By hand they rode one more, so that two rides can be compared. */
const LAPS_TRIED = 3;
const SEED = 2100;

const key = {
  start: 'title/brake/deadzone',
  end: 'title/brake/saturation',
  gamma: 'title/brake/linearity',
  throttle: 'title/throttle/linearity',
  gain: 'title/steering/gain',
  least: 'title/steering/minForce',
  road: 'title/steering/roadEffect',
} as const;

/** What was changed, after so many rides, and why; `back` puts an earlier one back. */
interface EveningChange {
  id: string;
  after: number;
  key?: string;
  to?: number;
  back?: string;
  why: string;
}

/** Fourteen changes. Two rides have two before them: which of the two did it was found by putting one back. */
const CHANGES: readonly EveningChange[] = [
  { id: 'road-up', after: 1, key: key.road, to: 0.7, why: 'To feel the surface.' },
  { id: 'road-back', after: 1, back: 'road-up', why: 'A clean road felt like gravel.' },
  { id: 'start', after: 1, key: key.start, to: 0.05, why: 'The brake dragged under the resting foot.' },
  { id: 'gamma', after: 1, key: key.gamma, to: 1.3, why: 'Calmer at the start of the pedal.' },
  { id: 'gamma-back', after: 2, back: 'gamma', why: 'To tell which change did it.' },
  { id: 'gain', after: 3, key: key.gain, to: 0.8, why: 'It clipped on the way up.' },
  { id: 'throttle', after: 3, key: key.throttle, to: 1.4, why: 'The rear stepped out of the hairpin.' },
  { id: 'throttle-back', after: 4, back: 'throttle', why: 'To tell which change did it.' },
  { id: 'throttle-again', after: 5, key: key.throttle, to: 1.2, why: 'Half of it.' },
  { id: 'least', after: 6, key: key.least, to: 0.02, why: 'Small corrections were swallowed.' },
  { id: 'least-back', after: 7, back: 'least', why: 'It rocked when let go.' },
];

/** What was asked of the rides after the eighth: of eight each, in pairs. The decision is the last change of each. */
const ASKED: readonly {
  id: string;
  from: number;
  plan: PairPlan;
  decision: Decision;
  change: EveningChange[];
}[] = [
  {
    id: 'demo-asked-end',
    from: 8,
    plan: pairPlan(key.end, 1, 0.85, 'brakePeak'),
    decision: 'kept',
    change: [
      {
        id: 'end',
        after: 16,
        key: key.end,
        to: 0.85,
        why: 'Did it change anything? The brake peaks lower.',
      },
    ],
  },
  {
    id: 'demo-asked-gamma',
    from: 16,
    plan: pairPlan(key.throttle, 1.2, 1.3, 'lapTimeS'),
    decision: 'put back',
    change: [
      { id: 'throttle-tried', after: 24, key: key.throttle, to: 1.3, why: 'Calmer still?' },
      {
        id: 'throttle-tried-back',
        after: 24,
        back: 'throttle-tried',
        why: 'Did it change anything? No difference shown.',
      },
    ],
  },
];

function pairPlan(of: string, a: number, b: number, named: PairPlan['named']): PairPlan {
  return {
    question: 'change',
    way: 'simulated',
    a: { [of]: a },
    b: { [of]: b },
    pairs: 4,
    lapsPerRide: LAPS,
    named,
    dimension: null,
  };
}

const RIDES = 24;
/** A ride of two climbs, the way down, and what is typed in between. */
const BETWEEN_MS = 7 * MINUTE_MS;

const startMs = (nowMs: number) => nowMs - DAYS_AGO * 24 * 60 * MINUTE_MS;
/** Rides are numbered from 1; what comes after one lies in the pause behind it. */
const rideMs = (nowMs: number, ride: number) => startMs(nowMs) + ride * BETWEEN_MS;

const changeMs = (nowMs: number, i: number, { after }: EveningChange) =>
  rideMs(nowMs, after) + MINUTE_MS + 1000 * i;

/** The changes of the evening as the trail has them. */
export async function addEveningChanges(db: Database, nowMs: number): Promise<void> {
  const events: RecordedEvent[] = [];
  const values = new Map<string, number>();
  const before = new Map<string, number | null>();
  [...CHANGES, ...ASKED.flatMap(({ change }) => change)].forEach((change, i) => {
    const atMs = changeMs(nowMs, i, change);
    const shared = { id: `demo-evening-${change.id}`, atMs, why: change.why };
    if (change.back !== undefined) {
      events.push({ ...shared, kind: 'put-back', undoes: `demo-evening-${change.back}` });
      const undone = [...CHANGES, ...ASKED.flatMap((one) => one.change)].find(
        ({ id }) => id === change.back,
      )!;
      const was = before.get(change.back) ?? null;
      if (was === null) values.delete(undone.key!);
      else values.set(undone.key!, was);
      return;
    }
    const at = keyOfText(change.key!);
    before.set(change.id, values.get(change.key!) ?? null);
    events.push({
      ...shared,
      kind: 'set',
      scope: usualScope(at.layer, EVENING),
      key: at,
      from: values.get(change.key!) ?? null,
      to: change.to!,
    });
    values.set(change.key!, change.to!);
  });
  await addChanges(db, EVENING.rigId, events);
}

/** What was set when a ride was driven: every change before it, and the side of a question that it was for. */
function settingsOfRide(ride: number): SettingValues {
  let values: SettingValues = {};
  const undone = new Map<string, { key: string; was: number | null }>();
  for (const change of [...CHANGES, ...ASKED.flatMap((one) => one.change)]) {
    if (change.after >= ride) break;
    if (change.back !== undefined) {
      const { key: of, was } = undone.get(change.back)!;
      values = withDraft(values, { [of]: was });
      continue;
    }
    const was = values[change.key!];
    undone.set(change.id, { key: change.key!, was: typeof was === 'number' ? was : null });
    values = { ...values, [change.key!]: change.to! };
  }
  const asked = ASKED.find(({ from }) => ride > from && ride <= from + 8);
  if (!asked) return values;
  const side = sidesOf(ordersOf(asked.id))[ride - asked.from - 1]!;
  return withDraft(values, side === 'A' ? asked.plan.a : asked.plan.b);
}

const ordersOf = (id: string) => randomizedOrders(4, seededCoin(ASKED.findIndex((one) => one.id === id) + 3));

/** The simulated driver with the Late shift’s foot on the Gannet, through whatever was set. */
function planOfRide(
  values: SettingValues,
  laps: number,
  seed: number,
): { plan: RidePlan; chain: ReturnType<typeof chainOf> } {
  const rig = simulatedRigById(EVENING.rigId);
  const title = titleById(EVENING.titleId);
  const car = carById(EVENING.carId);
  const menus = menusFor(rig.spec, title, car);
  const pedal = (axis: 'throttle' | 'brake') => {
    const hardware = rig.pedals[axis]!;
    const { released, pressed } = hardware;
    return { hardware, calibration: { released, pressed }, layers: responseLayers(menus, values, axis) };
  };
  return {
    plan: {
      car,
      track: trackById(EVENING_ROAD),
      throttle: pedal('throttle'),
      brake: pedal('brake'),
      foot: habitsOf(EVENING.driver, 'brake'),
      laps,
      seed,
    },
    chain: chainOf({
      car,
      rig: rig.spec,
      rateHz: title.forceHz,
      menus,
      values,
      rotationDeg: rig.spec.base.rotationDeg,
    }),
  };
}

/** How far the evening is: rides that are driven, of all of them. */
export interface EveningProgress {
  done: number;
  of: number;
}
const place = globalThis as typeof globalThis & { pebbleEvening?: EveningProgress };

/** `null` where it is driven whole. */
export const eveningProgress = (): EveningProgress | null => place.pebbleEvening ?? null;

/**
 * Drives the evening’s two dozen rides beside the server, one after the other, and answers what was asked of them. What is
 * there already stays: one that was ended in the middle goes on where it was.
 * @param onRide hears of each ride that came into the book
 */
export async function fillEvening(book: Database, onRide: () => void = () => undefined): Promise<void> {
  const nowMs = await askedFor(book);
  if (nowMs === null) return;
  const names = Array.from({ length: RIDES }, (_, i) => `demo-evening-ride-${i + 1}`);
  const there = new Set((await ridesOf(book, EVENING, names)).map(({ id }) => id));
  try {
    for (const [i, id] of names.entries()) {
      place.pebbleEvening = { done: i, of: RIDES };
      if (there.has(id)) continue;
      const settings = settingsOfRide(i + 1);
      const seed = SEED + i;
      const { plan, chain } = planOfRide(settings, i < ASKED[0]!.from ? LAPS_TRIED : LAPS, seed);
      const { notes, parts } = await askWorker((worker) => worker.simulate(plan, chain, seed));
      await write(book, async (inside) => {
        for (const [part, samples] of parts.entries()) await addRidePart(inside, id, part, samples);
        const ride = {
          id,
          ...EVENING,
          trackId: EVENING_ROAD,
          seed,
          settings,
          notes,
          atMs: rideMs(nowMs, i + 1),
        };
        await addRideRow(inside, ride, parts.length);
        // Two rides with two changes between them; the next one has one of the two put back.
        if (i < 2) await markRide(inside, EVENING, id, i === 0 ? 'A' : 'B');
        const asked = ASKED.find(({ from }) => i + 1 === from + 8);
        if (asked) await addAsked(inside, nowMs, asked);
      });
      onRide();
    }
  } finally {
    delete place.pebbleEvening;
    onRide();
  }
}

/** The moment that the evening was laid out from; `null` in a book that has none: somebody’s own took the demo’s place. */
async function askedFor(book: Database): Promise<number | null> {
  const first = (await listChanges(book, EVENING.rigId)).find(
    ({ id }) => id === `demo-evening-${CHANGES[0]!.id}`,
  );
  return first ? first.atMs - changeMs(0, 0, CHANGES[0]!) : null;
}

async function addAsked(
  inside: Database,
  nowMs: number,
  { id, from, plan, decision }: (typeof ASKED)[number],
): Promise<void> {
  const basis = Object.fromEntries(
    Object.entries(settingsOfRide(from + 1)).filter(([of]) => !(of in plan.a)),
  );
  const stored = freshPlan(plan, basis, ordersOf(id));
  const asked = { id, trackId: EVENING_ROAD, plan: stored, atMs: rideMs(nowMs, from) + 2 * MINUTE_MS };
  await addExperiment(inside, EVENING, asked, null);
  for (let k = 0; k < 8; k++)
    await addTrial(inside, id, {
      id: `${id}-${k + 1}`,
      place: k,
      outcome: 'ridden',
      values: null,
      software: '',
      rideId: `demo-evening-ride-${from + k + 1}`,
      atMs: rideMs(nowMs, from + k + 1) + 1000,
    });
  await endExperiment(inside, { id, plan: stored, sealed: null }, 'over');
  await decideExperiment(inside, id, decision);
}
