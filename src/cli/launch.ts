import { CARS } from '@/catalog/cars';
import { readProfileJson } from '@/core/formats/profileJson';
import { recommendLaunch } from '@/core/launch/recommendLaunch';
import { DRIVELINE_PARTS, drivelineOf } from '@/core/vehicle/drivelineSpec';
import { positiveOption, UsageError, wholeNumber } from './arguments';
import { readAnyCarJson } from './carFile';
import { shown, type Command } from './command';
import { InputError, orRefuse, readText } from './files';
import { named, needed } from './named';

export const launch: Command = {
  name: 'launch',
  usage: 'launch --car C --profile FILE.profile.json --seed S [--rpm n] [--json]',
  options: ['car', 'profile', 'seed', 'rpm'],
  run(args) {
    if (args.positional.length > 0)
      throw new UsageError(`launch takes options only, not "${args.positional[0]}"`);
    const car = named(args, 'car', CARS, readAnyCarJson, 'launch');
    const profileFile = needed(args, 'profile', 'launch');
    const seed = wholeNumber(args, 'seed', 1, 0, 2 ** 31);
    const spec = drivelineOf(car);
    if (!spec) {
      const missing = DRIVELINE_PARTS.filter((part) => car[part] === undefined);
      throw new InputError(args.options.get('car')!, [
        {
          code: 'no-driveline',
          message: `The car has no ${missing.join(', no ')}: nobody knows how it starts.`,
          place: { column: missing[0]! },
          remedy: `Give it ${DRIVELINE_PARTS.join(', ')}.`,
        },
      ]);
    }
    const { idleRpm, limitRpm } = spec.engine;
    const rpm = positiveOption(args, 'rpm', idleRpm, limitRpm) ?? undefined;
    const { pedals } = orRefuse(profileFile, readProfileJson(readText(profileFile)));
    const { holds, overRpm, ...advice } = recommendLaunch(car, spec, pedals.throttle, seed, rpm);
    return {
      json: { ...advice, holds, overRpm },
      table: [
        ['engine', `${shown(advice.rpm)} rpm`],
        ['hold', `${shown(advice.recommended)} of the clutch’s travel`],
        ['exact best', shown(advice.exactBest)],
        ['closed form', shown(advice.closedFormHold)],
        [],
        ['hold', '60 m s', '±', '4 in 5 s', 'ran away', 'spin m', 'bog', 'clutch kJ'],
        ...holds.map((one) =>
          [one.hold, one.t60Mean, one.t60Sd, one.t60P80, one.awayShare, one.spinM, one.bog, one.clutchKj].map(
            shown,
          ),
        ),
      ],
    };
  },
};
