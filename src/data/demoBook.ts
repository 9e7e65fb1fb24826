import { habitsOf } from '@/catalog/drivers';
import { SIMULATED_RIGS } from '@/catalog/simulatedRigs';
import { menusFor } from '@/catalog/menusFor';
import { carById, simulatedRigById, titleById, trackById } from '@/catalog/find';
import { analysePedal } from '@/core/axes/analysePedal';
import type { Recording } from '@/core/axes/recording';
import { NEUTRAL_LAYER } from '@/core/response/layer';
import { completeRide } from '@/core/vehicle/simulateRide';
import { saveCapture } from './captures';
import { chainOf, type ChainFacts } from '@/core/force/chainOf';
import { forceRecorder } from '@/core/force/forceInputs';
import { rideForce, withForce } from '@/core/force/rideForce';
import { usualScope, type Combination } from '@/core/settings/scope';
import type { SettingValues } from '@/core/settings/setting';
import { effectiveSettings, valuesOf } from '@/core/settings/trail';
import { addChanges, listChanges } from './changes';
import { chooseCombination } from './combination';
import { COMBINATIONS, demoCaptures, type PlannedCapture } from './demoCaptures';
import type { Database } from './database';
import { addEveningChanges, EVENING, EVENING_ROAD } from './demoEvening';
import { addDemoQuestions } from './demoQuestions';
import { chooseRoad } from './road';
import { USUAL_SCHOOLS } from '@/core/settings/schools';
import { chooseSchools } from './schools';
import { addRide, markRide } from './rides';
import { addRig, listRigs } from './rigs';
import { write } from './write';

const RIDE_SEED = 4;
const LAPS = 3;
const DAY_MS = 24 * 3600 * 1000;
const WEEK_MS = 7 * DAY_MS;
const HOUR_MS = 3600 * 1000;

/**
 * Fills an empty book with the Boathouse's rigs and eleven weeks of captures, and with one evening's beginning on the
 * Tern: a ride before anything is changed. Everything goes through the core; what there is to find, the product finds.
 */
export async function fillDemoBook(book: Database, nowMs = Date.now()): Promise<void> {
  if ((await listRigs(book)).length > 0) return;
  await write(book, (inside) => fillInside(inside, nowMs));
}

/** All of it or nothing: one that is killed while it fills is filled again. */
async function fillInside(db: Database, nowMs: number): Promise<void> {
  for (const { id, name, spec } of SIMULATED_RIGS) await addRig(db, { id, name, spec });
  // The one that is chosen last is open when the book is.
  for (const combination of [EVENING, ...COMBINATIONS]) await chooseCombination(db, combination);
  const recordings = new Map<string, Recording>();
  for (const { planned, recording } of demoCaptures()) {
    await keep(db, planned, recording, nowMs);
    recordings.set(`${planned.combination.rigId}/${planned.axis}`, recording);
  }
  await addDeadzoneOfTheWren(db, nowMs);
  await addRotationOfTheTern(db, nowMs);
  await addFirstRide(db, recordings.get('tern/brake')!);
  await chooseRoad(db, EVENING, EVENING_ROAD);
  await addEveningChanges(db, nowMs);
  await addDemoQuestions(db, nowMs);
}

async function keep(
  db: Database,
  planned: PlannedCapture,
  recording: Recording,
  nowMs: number,
): Promise<void> {
  const { combination, axis, weeksAgo } = planned;
  const { t, axes, runs, device, rangeMin, rangeMax, rateHz } = recording;
  await saveCapture(db, {
    id: `demo-${combination.rigId}-${axis}-${weeksAgo}`,
    rigId: combination.rigId,
    axis,
    driver: combination.driver,
    status: 'kept',
    origin: 'guided',
    head: { device, rangeMin, rangeMax, rateHz, runs, guide: null },
    part: { fromRow: 0, t, axes },
    madeAtMs: nowMs - weeksAgo * WEEK_MS - HOUR_MS,
  });
}

/** The dead zone that the Wren's throttle got when it began to flutter; its noise is growing out of it. */
async function addDeadzoneOfTheWren(db: Database, nowMs: number): Promise<void> {
  const combination = COMBINATIONS[0]!;
  await addChanges(db, combination.rigId, [
    {
      id: 'demo-wren-deadzone',
      atMs: nowMs - 6 * WEEK_MS,
      kind: 'set',
      scope: usualScope('title', combination),
      key: { layer: 'title', axis: 'throttle', field: 'deadzone' },
      from: null,
      to: 1,
      why: 'The throttle flutters at rest.',
    },
  ]);
}

/** Causeway was told long ago what the Tern turns; the Late shift keeps one rotation for every car. */
async function addRotationOfTheTern(db: Database, nowMs: number): Promise<void> {
  const combination = COMBINATIONS.at(-1)!;
  await chooseSchools(db, combination.driver, { ...USUAL_SCHOOLS, rotation: 'one' });
  await addChanges(db, combination.rigId, [
    {
      id: 'demo-tern-rotation',
      atMs: nowMs - 10 * WEEK_MS,
      kind: 'set',
      scope: usualScope('title', combination),
      key: { layer: 'title', axis: 'steering', field: 'rotation' },
      from: null,
      to: simulatedRigById('tern').spec.base.rotationDeg!,
      why: 'As the base turns: a quarter turn shows as 90°.',
    },
    ...FORCE_OF_THE_TERN.map(({ field, to, why }) => ({
      id: `demo-tern-${field}`,
      atMs: nowMs - 9 * WEEK_MS,
      kind: 'set' as const,
      scope: usualScope('title', combination),
      key: { layer: 'title' as const, axis: 'steering' as const, field },
      from: null,
      to,
      why,
    })),
  ]);
}

/** What the Late shift set by hand: a gain found with the Marl, and a damper that the base does not let through. */
const FORCE_OF_THE_TERN = [
  { field: 'gain', to: 66, why: 'As strong as the Marl goes.' },
  { field: 'titleDamper', to: 30, why: 'Against the shaking on the straight.' },
];

/** Three laps on the Tern before anything is changed. */
async function addFirstRide(db: Database, recording: Recording): Promise<void> {
  const combination = COMBINATIONS.at(-1)!;
  const rig = simulatedRigById(combination.rigId);
  const analysis = analysePedal(recording, 'brake');
  if (!analysis.ok) throw new Error('the demo capture cannot be analysed');
  const throttle = rig.pedals.throttle!;
  const trackId = titleById(combination.titleId).trackIds[0]!;
  const chain = chainOf(await forceFacts(db, combination));
  const recorder = forceRecorder(chain.title.rateHz);
  const plan = {
    car: carById(combination.carId),
    track: trackById(trackId),
    throttle: {
      hardware: throttle,
      calibration: { released: throttle.released, pressed: throttle.pressed },
      layers: [NEUTRAL_LAYER],
    },
    brake: {
      hardware: rig.pedals.brake!,
      calibration: analysis.value.calibration,
      layers: [NEUTRAL_LAYER],
    },
    foot: habitsOf(combination.driver, 'brake'),
    laps: LAPS,
    seed: RIDE_SEED,
  };
  const log = completeRide(plan, recorder);
  const inputs = recorder.finish();
  const id = 'demo-first-ride';
  await addRide(db, {
    id,
    ...combination,
    trackId,
    seed: RIDE_SEED,
    settings: await settingsIn(db, combination),
    log: withForce(log, inputs, rideForce(inputs, chain, RIDE_SEED)),
  });
  await markRide(db, combination, id, 'A');
}

async function settingsIn(db: Database, combination: Combination): Promise<SettingValues> {
  return valuesOf(effectiveSettings(await listChanges(db, combination.rigId), combination));
}

/** The force chain as it is set in a combination. */
async function forceFacts(db: Database, combination: Combination): Promise<ChainFacts> {
  const rig = simulatedRigById(combination.rigId).spec;
  const title = titleById(combination.titleId);
  const car = carById(combination.carId);
  return {
    car,
    rig,
    rateHz: title.forceHz,
    menus: menusFor(rig, title, car),
    values: await settingsIn(db, combination),
    rotationDeg: rig.base.rotationDeg,
  };
}
