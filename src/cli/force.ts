import { CARS } from '@/catalog/cars';
import { TRACKS } from '@/catalog/tracks';
import { COMPLAINTS } from '@/core/feel/complaints';
import { canonicalFacts } from '@/core/force/canonicalFacts';
import type { ChainFacts } from '@/core/force/chainOf';
import { driveForForce, forceQuestions, judgeLogged, type ForceQuestions } from '@/core/force/forceQuestions';
import { readCarJson } from '@/core/formats/carJson';
import { readProfileJson, type Profile } from '@/core/formats/profileJson';
import { readRideCsv } from '@/core/formats/rideCsv';
import { readTrackJson } from '@/core/formats/trackJson';
import { USUAL_SCHOOLS } from '@/core/settings/schools';
import type { CarSpec } from '@/core/vehicle/carSpec';
import type { TrackSpec } from '@/core/vehicle/track';
import { UsageError, type Arguments } from './arguments';
import { shown, type Command } from './command';
import { InputError, orRefuse, readText } from './files';
import { named } from './named';

/** The station's own ride: an answer here is the answer there. */
const LAPS = 2;
const SEED = 11;
const OPTIONS = ['car', 'track'];

/** What an answer rests on. */
interface Input {
  input: string;
  value: unknown;
  evidence: 'measured' | 'described' | 'assumed';
}

interface Asked {
  facts: ChainFacts;
  questions: ForceQuestions;
  inputs: Input[];
}

/** Reads what is asked about and drives it once. */
function drive(args: Arguments, command: string): Asked {
  const [file, ...more] = args.positional;
  if (!file || more.length > 0) throw new UsageError(`${command} takes one profile`);
  const car = named(args, 'car', CARS, readCarJson, command);
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

export const forceCommand: Command = {
  name: 'force',
  usage: 'force FILE.profile.json --car C --track T [--log FILE.ride.csv] [--json]',
  options: [...OPTIONS, 'log'],
  run(args) {
    const { facts, questions, inputs } = drive(args, 'force');
    const file = args.options.get('log');
    const log = file === undefined ? null : orRefuse(file, readRideCsv(readText(file)));
    const logged = log && judgeLogged(log, facts.values, facts, USUAL_SCHOOLS);
    if (file !== undefined && !logged)
      throw new InputError(file, [
        {
          code: 'no-force',
          message: 'The log has no force channel.',
          place: { column: 'ffb' },
          remedy: 'Log the force of the title as "ffb".',
        },
      ]);
    const report = questions.judge(facts, USUAL_SCHOOLS);
    const calm = questions.calm(facts, USUAL_SCHOOLS);
    const smooth = questions.smooth(facts, USUAL_SCHOOLS);
    const json = {
      ...report,
      ...calm,
      ...smooth,
      advice: [...calm.advice, ...smooth.advice],
      logged,
      inputs: file === undefined ? inputs : [...inputs, { input: 'log', value: file, evidence: 'measured' }],
    };
    const { judgement } = logged ?? report;
    return {
      json,
      table: [
        ['clipped', `${shown(100 * judgement.clipShare)} % of the time`],
        ['headroom', `${shown(judgement.headroomDb)} dB`],
        ['let go at a slow roll', calm.calm.roll.verdict],
        ['let go at speed', calm.calm.fast.verdict],
        ['detail kept', shown(smooth.smooth.detail)],
        ['roughness', shown(smooth.smooth.roughness)],
        ...[report.gain, report.weight, ...json.advice].flatMap((advice) =>
          advice ? [[`${advice.label} ${shown(advice.from)} → ${shown(advice.to)}`, advice.evidence]] : [],
        ),
        ...report.notes.map((note) => ['note', note]),
      ],
    };
  },
};

export const feel: Command = {
  name: 'feel',
  usage: `feel FILE.profile.json --car C --track T --complaint ${COMPLAINTS.map(({ id }) => id).join('|')} [--json]`,
  options: [...OPTIONS, 'complaint'],
  run(args) {
    const complaint = COMPLAINTS.find(({ id }) => id === args.options.get('complaint'));
    if (!complaint)
      throw new UsageError(`feel needs --complaint, one of ${COMPLAINTS.map(({ id }) => id).join(', ')}`);
    const { facts, questions, inputs } = drive(args, 'feel');
    // A profile is of one car: what hangs on the others cannot be told here.
    const causes = questions.feel(complaint.id, facts, USUAL_SCHOOLS, []);
    return {
      json: { complaint: complaint.id, words: complaint.words, causes, byHand: complaint.byHand, inputs },
      table: [
        ...causes.map(({ name, verdict, says }) => [verdict, name, says]),
        ['look by hand', complaint.byHand, ''],
      ],
    };
  },
};
