import { COMPLAINTS } from '@/core/feel/complaints';
import { adviceInOrder } from '@/core/force/forceAdvice';
import { forceOfLog } from '@/core/force/forceOfLog';
import { judgeLogged } from '@/core/force/forceQuestions';
import { chainOf } from '@/core/force/chainOf';
import { swallowedShare } from '@/core/force/rimOf';
import { USUAL_SCHOOLS } from '@/core/settings/schools';
import { UsageError } from './arguments';
import { shown, type Command } from './command';
import { DRIVEN_OPTIONS, driveProfile } from './driveProfile';
import { readForceLog } from './forceLog';

export const forceCommand: Command = {
  name: 'force',
  usage: 'force FILE.profile.json --car C --track T [--log FILE.ride.csv] [--json]',
  options: [...DRIVEN_OPTIONS, 'log'],
  run(args) {
    const { facts, questions, inputs } = driveProfile(args, 'force');
    const file = args.options.get('log');
    const log = file === undefined ? null : readForceLog(file);
    const logged = log && judgeLogged(log, facts.values, facts, USUAL_SCHOOLS);
    const atRim = log && forceOfLog(log, chainOf(facts));
    const report = questions.judge(facts, USUAL_SCHOOLS);
    const calm = questions.calm(facts, USUAL_SCHOOLS);
    const smooth = questions.smooth(facts, USUAL_SCHOOLS);
    const json = {
      ...report,
      ...calm,
      ...smooth,
      advice: adviceInOrder({
        ride: logged ? { ...report, gain: logged.gain } : report,
        stability: calm,
        smooth,
      }),
      logged,
      atRim,
      swallowed: swallowedShare(chainOf(facts)),
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
        ...(atRim ? [['corners of the log weigh', `${shown(atRim.cornerNm)} N·m`]] : []),
        ['detail kept', shown(smooth.smooth.detail)],
        ['roughness', shown(smooth.smooth.roughness)],
        ...json.advice.map(({ label, from, to, evidence }) => [
          `${label} ${shown(from)} → ${shown(to)}`,
          evidence,
        ]),
        ...report.notes.map((note) => ['note', note]),
      ],
    };
  },
};

export const feel: Command = {
  name: 'feel',
  usage: `feel FILE.profile.json --car C --track T --complaint ${COMPLAINTS.map(({ id }) => id).join('|')} [--log FILE.ride.csv] [--json]`,
  options: [...DRIVEN_OPTIONS, 'complaint', 'log'],
  run(args) {
    const complaint = COMPLAINTS.find(({ id }) => id === args.options.get('complaint'));
    if (!complaint)
      throw new UsageError(`feel needs --complaint, one of ${COMPLAINTS.map(({ id }) => id).join(', ')}`);
    const { facts, questions, inputs } = driveProfile(args, 'feel');
    const file = args.options.get('log');
    const own =
      file === undefined
        ? []
        : [[facts.car.id, { log: readForceLog(file), settings: facts.values }] as const];
    // A profile is of one car: what hangs on the others cannot be told here.
    const { causes, advised, next } = questions.feel(complaint.id, facts, USUAL_SCHOOLS, [], new Map(own));
    return {
      json: {
        complaint: complaint.id,
        words: complaint.words,
        causes,
        advised,
        next,
        byHand: complaint.byHand,
        inputs,
      },
      table: [
        ...causes.map(({ name, verdict, says, isLogged }) => [
          verdict,
          name,
          isLogged ? `as logged: ${says}` : says,
        ]),
        advised
          ? [
              'change',
              `${advised.change.label} ${shown(advised.change.from)} → ${shown(advised.change.to)}`,
              advised.after,
            ]
          : ['measure next', next.measure, ''],
        ['look by hand', complaint.byHand, ''],
      ],
    };
  },
};
