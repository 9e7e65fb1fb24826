import { expose, transfer } from 'comlink';
import { causesOf, COMPLAINTS } from '@/core/feel/complaints';
import type { FoundCause } from '@/core/feel/cause';
import { feelFactsOf } from '@/core/feel/feelFacts';
import { maskNotes } from '@/core/force/balance';
import { carForce, carGains, type AlikeBy, type CarGain } from '@/core/force/carGains';
import { chainOf, type ChainFacts } from '@/core/force/chainOf';
import {
  damperAdvice,
  deadAdvice,
  doubledNotes,
  gainAdvice,
  isCalm,
  minForceAdvice,
} from '@/core/force/forceAdvice';
import { forceRecorder } from '@/core/force/forceInputs';
import { effectParameter, forceField } from '@/core/force/forceParameters';
import { forceParts, type DrivenRide, type ForceParts } from '@/core/force/forceParts';
import type { ForceSchools } from '@/core/force/forceSchools';
import { EFFECTS, type Effect } from '@/core/force/forceSettings';
import { judgeLog } from '@/core/force/judgeForce';
import { baseOverRide } from '@/core/force/rideForce';
import { smoothingAdvice, type SmoothPoint } from '@/core/force/smoothing';
import { inTurn, soundOf } from '@/core/force/sound';
import { springAdvice } from '@/core/force/springAdvice';
import { weightAdvice } from '@/core/force/weight';
import { readRideCsv } from '@/core/formats/rideCsv';
import { describeProblem } from '@/core/problem';
import type { RideLog } from '@/core/rides/rideLog';
import { keyText } from '@/core/settings/setting';
import { simulateRide, type RidePlan, type RideProgress } from '@/core/vehicle/simulateRide';
import type {
  ForceReport,
  StabilityReport,
  SmoothReport,
  OtherCar,
  LoggedRide,
  LoggedReport,
  HeardForce,
} from '@/core/force/forceReport';

const PIECE_S = 4;

const ON_BASE_HZ = 1000;

/** The ride that was driven last; every question about settings is answered over it. */
let driven: DrivenRide | null = null;

/** Laps of other cars by their plan. */
const others = new Map<string, DrivenRide>();

/** What was worked out of the newest settings; those kept and those tried are asked for in turn. */
let recent: { key: string; parts: ForceParts }[] = [];

/** What the base's smoothing can do, by everything else that is set. */
const reach = new Map<string, SmoothPoint[]>();

const MOST_RECENT = 3;

function partsOf(facts: ChainFacts): ForceParts {
  if (!driven) throw new Error('nothing was driven yet');
  const key = textOf(facts, facts.values);
  const known = recent.find((one) => one.key === key);
  const parts =
    known?.parts ??
    forceParts(driven, facts, (work) => {
      const set = textOf(facts, withoutSmoothing(facts));
      if (!reach.has(set)) reach.set(set, work());
      return reach.get(set)!;
    });
  recent = [{ key, parts }, ...recent.filter((one) => one !== known)].slice(0, MOST_RECENT);
  return parts;
}

/** Rides of the book that were read, by where they lie. */
const logs = new Map<string, Promise<RideLog>>();

function logOf(url: string): Promise<RideLog> {
  const reading =
    logs.get(url) ??
    fetch(url)
      .then((answer) => {
        if (!answer.ok) throw new Error(`the ride could not be read (${answer.status})`);
        return answer.text();
      })
      .then((text) => {
        const read = readRideCsv(text);
        if (!read.ok) throw new Error(read.problems.map(describeProblem).join(' '));
        return read.value;
      });
  logs.set(url, reading);
  reading.catch(() => logs.delete(url));
  return reading;
}

const textOf = ({ car, rig, rateHz, rotationDeg }: ChainFacts, values: ChainFacts['values']) =>
  JSON.stringify([car.id, rig, rateHz, rotationDeg, Object.entries(values).sort()]);

function withoutSmoothing({ menus, values }: ChainFacts): ChainFacts['values'] {
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

function drivePlan(
  plan: RidePlan,
  rateHz: number,
  onProgress?: (progress: RideProgress) => void,
): DrivenRide {
  const recorder = forceRecorder(rateHz);
  const steps = simulateRide(plan, recorder);
  for (let next = steps.next(); !next.done; next = steps.next()) onProgress?.(next.value);
  return { inputs: recorder.finish(), seed: plan.seed };
}

const given = <T>(some: (T | null)[]): T[] => some.filter((one) => one !== null);

function carsOf(facts: ChainFacts, sides: OtherCar[], by: AlikeBy): CarGain[] {
  const rows = sides.map((side) => {
    const key = JSON.stringify(side.plan);
    if (!others.has(key)) others.set(key, drivePlan(side.plan, side.facts.rateHz));
    const { inputs, seed } = others.get(key)!;
    return { facts: side.facts, force: carForce(inputs, side.facts, seed) };
  });
  const own = { facts, force: carForce(driven!.inputs, facts, driven!.seed) };
  return carGains([own, ...rows], 0, by);
}

const api = {
  /** Drives the plan once and keeps what the force chain starts from. */
  drive(plan: RidePlan, rateHz: number, onProgress: (progress: RideProgress) => void): void {
    driven = drivePlan(plan, rateHz, onProgress);
    recent = [];
    reach.clear();
  },
  judge(facts: ChainFacts, schools: ForceSchools): ForceReport {
    const { chain, judged, balance } = partsOf(facts);
    const { judgement } = judged();
    return {
      judgement,
      ...balance(),
      gain: gainAdvice(facts, chain, judged(), schools.clipping),
      weight: weightAdvice(facts, chain, judgement, schools.weight),
      notes: [...maskNotes(balance().balance, effectNames(facts)), ...doubledNotes(facts)],
    };
  },
  /** A ride from the book, as its force would be with these settings; `null` where it holds none. */
  async logged(ride: LoggedRide, facts: ChainFacts, schools: ForceSchools): Promise<LoggedReport | null> {
    const log = await logOf(ride.url);
    const chain = chainOf(facts);
    const judged = judgeLog(log, chainOf({ ...facts, values: ride.settings }).title.gain, chain.title.gain);
    if (!judged) return null;
    return {
      judgement: judged.judgement,
      gain: gainAdvice(facts, chain, judged, schools.clipping),
    };
  },
  calm(facts: ChainFacts, schools: ForceSchools): StabilityReport {
    const { chain, judged, calm: workOut } = partsOf(facts);
    const calm = workOut();
    const dead = deadAdvice(facts, isCalm(calm));
    // A damper that is let through may be enough: one change at a time.
    const damper = dead.length > 0 ? null : damperAdvice(facts, chain, calm);
    const least = minForceAdvice(facts, chain, judged().judgement.weakest, calm);
    return {
      calm,
      advice: [...dead, ...given([springAdvice(facts, chain, calm, schools.spring), damper, least])],
    };
  },
  smooth(facts: ChainFacts, schools: ForceSchools): SmoothReport {
    const parts = partsOf(facts);
    const [smooth, points] = [parts.smooth(), parts.points()];
    return {
      smooth,
      points,
      centre: parts.centre(),
      advice: given([smoothingAdvice(facts, points, smooth, schools.smoothing)]),
    };
  },
  /** Every car of the title beside the open one, which leads. */
  cars(facts: ChainFacts, sides: OtherCar[], by: AlikeBy): CarGain[] {
    partsOf(facts);
    return carsOf(facts, sides, by);
  },
  /** What is behind a feeling, ranked by what was measured. */
  feel(complaintId: string, facts: ChainFacts, schools: ForceSchools, sides: OtherCar[]): FoundCause[] {
    const complaint = COMPLAINTS.find(({ id }) => id === complaintId);
    if (!complaint) throw new Error(`there is no complaint ${complaintId}`);
    const parts = partsOf(facts);
    return causesOf(
      complaint,
      feelFactsOf(parts, () => carsOf(facts, sides, 'peak'), schools.clipping),
    );
  },
  /** The rim as sound; two settings in turn over the same pieces of road. */
  sound(kept: ChainFacts, tried: ChainFacts | null): HeardForce {
    const heard = (facts: ChainFacts) => {
      const { chain, meant } = partsOf(facts);
      const { inputs, given: signal } = meant();
      return soundOf(baseOverRide(inputs, signal, chain).torqueNm, ON_BASE_HZ);
    };
    const a = heard(kept);
    const sound = tried ? inTurn(a, heard(tried), PIECE_S) : a;
    return transfer({ sound, pieceS: PIECE_S, isPair: tried !== null }, [sound.buffer]);
  },
};

export type ForceWorker = typeof api;

expose(api);
