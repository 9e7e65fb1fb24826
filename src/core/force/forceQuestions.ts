import { answerTo, COMPLAINTS, type FeelAnswer } from '../feel/complaints';
import { feelFactsOf } from '../feel/feelFacts';
import type { RideLog } from '../rides/rideLog';
import { keyText, type SettingValues } from '../settings/setting';
import { simulateRide, type RidePlan, type RideProgress } from '../vehicle/simulateRide';
import { maskNotes } from './balance';
import { carForce, carGains, type AlikeBy, type CarGain } from './carGains';
import { chainOf, type ChainFacts } from './chainOf';
import { calmAdvice, deadAdvice, doubledAdvice, gainAdvice, isCalm, minForceAdvice } from './forceAdvice';
import type { Proposal } from '../settings/proposal';
import { forceRecorder } from './forceInputs';
import { effectParameter, forceField } from './forceParameters';
import { forceParts, type DrivenRide, type ForceParts } from './forceParts';
import type { ForceReport, LoggedReport, OtherCar, SmoothReport, StabilityReport } from './forceReport';
import type { ForceSchools } from './forceSchools';
import { EFFECTS, type Effect } from './effects';
import { judgeLog } from './judgeForce';
import { logReading } from './logReading';
import { gainThen, loggedCar, type ForceLogs } from './loggedCar';
import { smoothingAdvice, type SmoothPoint } from './smoothing';
import { springAdvice } from './springAdvice';
import { weightAdvice } from './weight';

const NO_LOGS: ForceLogs = new Map();

/** Those kept and those tried are asked for in turn. */
const MOST_RECENT = 3;

/** What is asked of the force over one ride that was driven once. Each is a pure function of that ride and the settings. */
export interface ForceQuestions {
  /** Everything that a ride and some settings say; worked out part by part, and kept for the newest settings. */
  partsOf(facts: ChainFacts): ForceParts;
  /** Strength, balance, gain and weight that the schools would take. */
  judge(facts: ChainFacts, schools: ForceSchools): ForceReport;
  /** What a rim does that is let go, and what would calm it: one change at a time. */
  calm(facts: ChainFacts, schools: ForceSchools): StabilityReport;
  /** What the base makes of the signal: detail against roughness, and the centre. */
  smooth(facts: ChainFacts, schools: ForceSchools): SmoothReport;
  /** Every car of the title beside the open one, which leads; from logs where there are some of both. */
  cars(facts: ChainFacts, sides: readonly OtherCar[], by: AlikeBy, logs?: ForceLogs): CarGain[];
  /**
   * What is behind a feeling, ranked by what was measured, with one change that was tried, or what to measure next. What the signal
   * says is read from the open car's log where there is one.
   * @throws Error for a complaint that is none of {@link COMPLAINTS}
   */
  feel(
    complaintId: string,
    facts: ChainFacts,
    schools: ForceSchools,
    sides: readonly OtherCar[],
    logs?: ForceLogs,
  ): FeelAnswer;
}

/** @param driven the ride that every question is answered over */
export function forceQuestions(driven: DrivenRide): ForceQuestions {
  let recent: { key: string; parts: ForceParts }[] = [];
  /** What the base's smoothing can do, by everything else that is set. */
  const reach = new Map<string, SmoothPoint[]>();
  /** Laps of other cars by their plan. */
  const others = new Map<string, DrivenRide>();

  const partsOf = (facts: ChainFacts): ForceParts => {
    const key = settingsText(facts, facts.values);
    const known = recent.find((one) => one.key === key);
    const pointsOf = (work: () => SmoothPoint[]) => {
      const set = settingsText(facts, withoutSmoothing(facts));
      if (!reach.has(set)) reach.set(set, work());
      return reach.get(set)!;
    };
    const parts = known?.parts ?? forceParts(driven, facts, pointsOf);
    recent = [{ key, parts }, ...recent.filter((one) => one !== known)].slice(0, MOST_RECENT);
    return parts;
  };

  const cars: ForceQuestions['cars'] = (facts, sides, by, logs = NO_LOGS) => {
    const logged = (of: ChainFacts) => {
      const log = logs.get(of.car.id);
      return log ? loggedCar(log, of) : null;
    };
    const rows = sides.map((side) => {
      const key = JSON.stringify(side.plan);
      if (!others.has(key)) others.set(key, driveForForce(side.plan, side.facts.rateHz));
      const { inputs, seed } = others.get(key)!;
      return { facts: side.facts, force: carForce(inputs, side.facts, seed), logged: logged(side.facts) };
    });
    const own = { facts, force: carForce(driven.inputs, facts, driven.seed), logged: logged(facts) };
    return carGains([own, ...rows], 0, by);
  };

  return {
    partsOf,
    cars,
    judge: (facts, schools) => judgeParts(partsOf(facts), schools),
    calm: (facts, schools) => calmParts(partsOf(facts), schools),
    smooth: (facts, schools) => smoothParts(partsOf(facts), schools),
    feel(complaintId, facts, schools, sides, logs = NO_LOGS) {
      const complaint = COMPLAINTS.find(({ id }) => id === complaintId);
      if (!complaint) throw new Error(`there is no complaint ${complaintId}`);
      const measured = (of: ChainFacts, others: readonly OtherCar[]) =>
        feelFactsOf(partsOf(of), () => cars(of, others, 'peak', logs), schools.clipping, logs.get(of.car.id));
      return answerTo(complaint, measured(facts, sides), (change) => {
        const set = (of: ChainFacts) => ({
          ...of,
          values: { ...of.values, [keyText(change.key)]: change.to },
        });
        if (!change.carId) return measured(set(facts), sides);
        return measured(
          facts,
          sides.map((side) =>
            side.facts.car.id === change.carId ? { ...side, facts: set(side.facts) } : side,
          ),
        );
      });
    },
  };
}

/** Drives a plan once and keeps what the force chain starts from. */
export function driveForForce(
  plan: RidePlan,
  rateHz: number,
  onProgress?: (progress: RideProgress) => void,
): DrivenRide {
  const recorder = forceRecorder(rateHz);
  const steps = simulateRide(plan, recorder);
  for (let next = steps.next(); !next.done; next = steps.next()) onProgress?.(next.value);
  return { inputs: recorder.finish(), seed: plan.seed };
}

/** What a ride says of strength and balance. */
function judgeParts(parts: ForceParts, schools: ForceSchools): ForceReport {
  const { facts, chain, judged, balance } = parts;
  const { judgement } = judged();
  return {
    judgement,
    ...balance(),
    // Of a scale that nobody gave no gain follows.
    gain: facts.car.scaleIsAssumed ? null : gainAdvice(facts, chain, judged(), schools.clipping),
    weight: weightAdvice(facts, chain, judgement, schools.weight),
    notes: [
      ...maskNotes(balance().balance, effectNames(facts)),
      ...doubledAdvice(facts).map(({ evidence }) => evidence),
    ],
  };
}

function calmParts(parts: ForceParts, schools: ForceSchools): StabilityReport {
  const { facts, chain, judged, calm: workOut } = parts;
  const calm = workOut();
  const dead = deadAdvice(facts, isCalm(calm));
  // A damper that is let through may be enough: one change at a time.
  const calmer = dead.length > 0 ? null : calmAdvice(facts, calm);
  const least = minForceAdvice(facts, chain, judged().judgement.weakest, calm);
  return {
    calm,
    advice: [...dead, ...given([calmer, springAdvice(facts, chain, calm, schools.spring), least])],
  };
}

function smoothParts(parts: ForceParts, schools: ForceSchools): SmoothReport {
  const [smooth, points] = [parts.smooth(), parts.points()];
  return {
    smooth,
    points,
    centre: parts.centre(),
    advice: given([smoothingAdvice(parts.facts, points, smooth, schools.smoothing)]),
  };
}

/**
 * A ride that was logged, as its force would be with other settings; `null` where it holds none. A log says nothing of the
 * torque at the rim.
 * @param then the settings that it was driven with
 * @param isSimulated whether it was driven here: of a scale that nobody gave it tells no gain
 */
export function judgeLogged(
  log: RideLog,
  then: SettingValues,
  facts: ChainFacts,
  schools: ForceSchools,
  isSimulated = false,
): LoggedReport | null {
  const chain = chainOf(facts);
  const before = chainOf({ ...facts, values: then });
  const gain = gainThen(facts, { settings: then });
  const judged = judgeLog(log, gain, chain.title.gain);
  if (!judged) return null;
  const isTold = !(isSimulated && facts.car.scaleIsAssumed);
  return {
    judgement: judged.judgement,
    gain: isTold ? gainAdvice(facts, chain, judged, schools.clipping) : null,
    ...logReading(log, before.car, gain, isSimulated),
  };
}

const given = (some: (Proposal | null)[]): Proposal[] => some.filter((one) => one !== null);

const settingsText = ({ car, rig, rateHz, rotationDeg }: ChainFacts, values: SettingValues) =>
  JSON.stringify([car.id, rig, rateHz, rotationDeg, Object.entries(values).sort()]);

function withoutSmoothing({ menus, values }: ChainFacts): SettingValues {
  const rest = { ...values };
  for (const parameter of ['smoothing', 'interpolation'] as const) {
    const found = forceField(menus, values, 'base', parameter);
    if (found) delete rest[keyText(found.key)];
  }
  return rest;
}

/** What the title calls its effects. */
function effectNames({ menus, values }: ChainFacts): Partial<Record<Effect, string>> {
  return Object.fromEntries(
    EFFECTS.flatMap((effect) => {
      const found = forceField(menus, values, 'title', effectParameter(effect));
      return found ? [[effect, found.field.label]] : [];
    }),
  );
}
