import { CARS } from '@/catalog/cars';
import { canonicalFacts } from '@/core/force/canonicalFacts';
import type { ChainFacts } from '@/core/force/chainOf';
import type { ForceLogs } from '@/core/force/loggedCar';
import { UsageError, type Arguments } from './arguments';
import { shown, type Command } from './command';
import { DRIVEN_OPTIONS, driveProfile } from './driveProfile';
import { InputError } from './files';
import { readForceLog } from './forceLog';

/** The others are driven a lap each, as in the station. */
const LAPS = 1;

/** The force of one car after the other through the same chain, against the one that leads. */
export const cars: Command = {
  name: 'cars',
  usage:
    'cars FILE.profile.json --car C --track T --others C,C [--by peak|weight] [--logs FILE.ride.csv,…] [--json]',
  options: [...DRIVEN_OPTIONS, 'others', 'by', 'logs'],
  run(args) {
    const others = othersOf(args);
    const by = args.options.get('by') ?? 'peak';
    if (by !== 'peak' && by !== 'weight') throw new UsageError('--by takes peak or weight');
    const { profile, plan, facts, questions } = driveProfile(args, 'cars');
    const sides = others.map((car) => ({
      facts: canonicalFacts(profile.force, car),
      plan: { ...plan, car, laps: LAPS },
    }));
    const rows = questions
      .cars(facts, sides, by, logsOf(args, [facts, ...sides.map((side) => side.facts)]))
      .map(({ carId, name, peak, weightNm, ratio, from }) => ({ carId, name, peak, weightNm, ratio, from }));
    return {
      json: { by, cars: rows },
      table: [
        ['car', 'strong end (P99)', 'corners, N·m', 'against the first', 'read from'],
        ...rows.map(({ carId, peak, weightNm, ratio, from }) => [
          carId,
          shown(peak),
          shown(weightNm),
          shown(ratio),
          from,
        ]),
      ],
    };
  },
};

/** The logs, of the first car and of the others in their order, driven with what the profile sets. */
function logsOf(args: Arguments, all: readonly ChainFacts[]): ForceLogs {
  const files = args.options.get('logs')?.split(',') ?? [];
  if (files.length > 0 && files.length !== all.length)
    throw new UsageError(`--logs takes a log of each car: ${all.length} of them`);
  return new Map(
    files.map((file, i) => [all[i]!.car.id, { log: readForceLog(file), settings: all[i]!.values }]),
  );
}

function othersOf(args: Arguments) {
  const names = args.options.get('others')?.split(',') ?? [];
  if (names.length === 0) throw new UsageError('cars needs --others with cars between commas');
  return names.map((name) => {
    const found = CARS.find((car) => car.id === name || car.name === name);
    if (found) return found;
    throw new InputError(name, [
      {
        code: 'unknown-car',
        message: 'There is no car of this name.',
        place: {},
        remedy: `Known are: ${CARS.map(({ id }) => id).join(', ')}.`,
      },
    ]);
  });
}
