import { CARS } from '@/catalog/cars';
import { TRACKS } from '@/catalog/tracks';
import { canonicalFacts } from '@/core/force/canonicalFacts';
import type { ChainFacts } from '@/core/force/chainOf';
import { driveForForce, forceQuestions, type ForceQuestions } from '@/core/force/forceQuestions';
import { readAnyCarJson } from './carFile';
import { readProfileJson, type Profile } from '@/core/formats/profileJson';
import { readTrackJson } from '@/core/formats/trackJson';
import type { CarSpec } from '@/core/vehicle/carSpec';
import type { RidePlan } from '@/core/vehicle/simulateRide';
import type { TrackSpec } from '@/core/vehicle/track';
import { UsageError, type Arguments } from './arguments';
import { InputError, orRefuse, readText } from './files';
import { named } from './named';

/** The station's own ride: an answer here is the answer there. */
const LAPS = 2;
const SEED = 11;
export const DRIVEN_OPTIONS = ['car', 'track'];

/** What an answer rests on. */
interface Input {
  input: string;
  value: unknown;
  evidence: 'measured' | 'described' | 'assumed';
}

interface Asked {
  profile: Profile & { force: NonNullable<Profile['force']> };
  plan: RidePlan;
  facts: ChainFacts;
  questions: ForceQuestions;
  inputs: Input[];
}

/** Reads what is asked about and drives it once. */
export function driveProfile(args: Arguments, command: string): Asked {
  const [file, ...more] = args.positional;
  if (!file || more.length > 0) throw new UsageError(`${command} takes one profile`);
  const car = named(args, 'car', CARS, readAnyCarJson, command);
  const track = named(args, 'track', TRACKS, readTrackJson, command);
  const profile = orRefuse(file, readProfileJson(readText(file)));
  const { force, pedals, foot } = profile;
  if (!force)
    throw new InputError(file, [
      {
        code: 'no-force',
        message: 'The profile says nothing of the force.',
        place: { column: 'force' },
        remedy: 'Add title, base and hardware of the force chain.',
      },
    ]);
  const facts = canonicalFacts(force, car);
  const plan = { car, track, ...pedals, foot, laps: LAPS, seed: SEED };
  return {
    profile: { ...profile, force },
    plan,
    facts,
    questions: forceQuestions(driveForForce(plan, force.title.rateHz)),
    inputs: inputsOf(profile, car, track),
  };
}

/** Everything that a profile says, figure by figure: its writer described it. Car and road are as their documents say. */
function inputsOf({ force, foot }: Profile, car: CarSpec, track: TrackSpec): Input[] {
  const described = (part: string, values: object): Input[] =>
    Object.entries(values).map(([key, value]) => ({
      input: `${part}.${key}`,
      value: value as unknown,
      evidence: 'described',
    }));
  return [
    { input: 'car', value: car.id, evidence: 'described' },
    { input: 'track', value: track.id, evidence: 'described' },
    ...described('hardware', force!.hardware),
    ...described('title', force!.title),
    ...described('base', force!.base),
    ...described('foot', foot),
    // The line and the speed are the simulated driver's, who is nobody in particular.
    { input: 'driver', value: `simulated, ${LAPS} laps, seed ${SEED}`, evidence: 'assumed' },
  ];
}
