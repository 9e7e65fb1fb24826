import { expose, transfer } from 'comlink';
import type { FeelAnswer } from '@/core/feel/complaints';
import type { AlikeBy, CarGain } from '@/core/force/carGains';
import type { ChainFacts } from '@/core/force/chainOf';
import { driveForForce, forceQuestions, judgeLogged, type ForceQuestions } from '@/core/force/forceQuestions';
import type {
  ForceReport,
  HeardForce,
  LoggedReport,
  LoggedRide,
  OtherCar,
  SmoothReport,
  StabilityReport,
} from '@/core/force/forceReport';
import type { ForceSchools } from '@/core/force/forceSchools';
import { heardForce } from '@/core/force/sound';
import { readRideCsv } from '@/core/formats/rideCsv';
import { describeProblem } from '@/core/problem';
import type { RideLog } from '@/core/rides/rideLog';
import type { RidePlan, RideProgress } from '@/core/vehicle/simulateRide';

/** The ride that was driven last; every question about settings is answered over it. */
let questions: ForceQuestions | null = null;

function asked(): ForceQuestions {
  if (!questions) throw new Error('nothing was driven yet');
  return questions;
}

/** Rides of the book that were read, by where they lie. */
const logs = new Map<string, Promise<RideLog>>();

function logOf(url: string): Promise<RideLog> {
  const reading = logs.get(url) ?? readLog(url);
  logs.set(url, reading);
  reading.catch(() => logs.delete(url));
  return reading;
}

async function readLog(url: string): Promise<RideLog> {
  const answer = await fetch(url);
  if (!answer.ok) throw new Error(`the ride could not be read (${answer.status})`);
  const read = readRideCsv(await answer.text());
  if (!read.ok) throw new Error(read.problems.map(describeProblem).join(' '));
  return read.value;
}

const api = {
  drive(plan: RidePlan, rateHz: number, onProgress: (progress: RideProgress) => void): void {
    questions = forceQuestions(driveForForce(plan, rateHz, onProgress));
  },
  judge: (facts: ChainFacts, schools: ForceSchools): ForceReport => asked().judge(facts, schools),
  calm: (facts: ChainFacts, schools: ForceSchools): StabilityReport => asked().calm(facts, schools),
  smooth: (facts: ChainFacts, schools: ForceSchools): SmoothReport => asked().smooth(facts, schools),
  cars: (facts: ChainFacts, sides: OtherCar[], by: AlikeBy): CarGain[] => asked().cars(facts, sides, by),
  feel: (complaint: string, facts: ChainFacts, schools: ForceSchools, sides: OtherCar[]): FeelAnswer =>
    asked().feel(complaint, facts, schools, sides),
  async logged(ride: LoggedRide, facts: ChainFacts, schools: ForceSchools): Promise<LoggedReport | null> {
    return judgeLogged(await logOf(ride.url), ride.settings, facts, schools, ride.isSimulated);
  },
  sound(kept: ChainFacts, tried: ChainFacts | null): HeardForce {
    const heard = heardForce(asked().partsOf(kept), tried && asked().partsOf(tried));
    return transfer(heard, [heard.sound.buffer]);
  },
};

export type ForceWorker = typeof api;

expose(api);
