import { expose, transfer } from 'comlink';
import type { FeelAnswer } from '@/core/feel/complaints';
import type { AlikeBy, CarGain } from '@/core/force/carGains';
import type { ChainFacts } from '@/core/force/chainOf';
import { driveForForce, forceQuestions, judgeLogged, type ForceQuestions } from '@/core/force/forceQuestions';
import type {
  CarLogFile,
  ForceReport,
  HeardForce,
  LoggedReport,
  LoggedRide,
  OtherCar,
  SmoothReport,
  StabilityReport,
} from '@/core/force/forceReport';
import type { ForceSchools } from '@/core/force/forceSchools';
import type { ForceLogs } from '@/core/force/loggedCar';
import { heardForce } from '@/core/force/sound';
import type { RidePlan, RideProgress } from '@/core/vehicle/simulateRide';
import { logOf } from './rideLogs';

/** The ride that was driven last; every question about settings is answered over it. */
let questions: ForceQuestions | null = null;

function asked(): ForceQuestions {
  if (!questions) throw new Error('nothing was driven yet');
  return questions;
}

async function read(logs: readonly CarLogFile[]): Promise<ForceLogs> {
  const all = logs.map(
    async ({ carId, url, settings }) => [carId, { log: await logOf(url), settings }] as const,
  );
  return new Map(await Promise.all(all));
}

const api = {
  drive(plan: RidePlan, rateHz: number, onProgress: (progress: RideProgress) => void): void {
    questions = forceQuestions(driveForForce(plan, rateHz, onProgress));
  },
  judge: (facts: ChainFacts, schools: ForceSchools): ForceReport => asked().judge(facts, schools),
  calm: (facts: ChainFacts, schools: ForceSchools): StabilityReport => asked().calm(facts, schools),
  smooth: (facts: ChainFacts, schools: ForceSchools): SmoothReport => asked().smooth(facts, schools),
  cars: async (facts: ChainFacts, sides: OtherCar[], by: AlikeBy, logs: CarLogFile[]): Promise<CarGain[]> =>
    asked().cars(facts, sides, by, await read(logs)),
  feel: async (
    complaint: string,
    facts: ChainFacts,
    schools: ForceSchools,
    sides: OtherCar[],
    logs: CarLogFile[],
  ): Promise<FeelAnswer> => asked().feel(complaint, facts, schools, sides, await read(logs)),
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
