import { CARS } from '@/catalog/cars';
import { TRACKS } from '@/catalog/tracks';
import { readAnyCarJson } from './carFile';
import { readSettingsJson } from '@/core/formats/dialectJson';
import { readTrackJson } from '@/core/formats/trackJson';
import { responseParameterOf, type MenuField } from '@/core/response/menuSchema';
import { NEUTRAL_LAYER } from '@/core/response/layer';
import { layerFromSettings, valueOf } from '@/core/response/settings';
import { calmCentre, settingAt, type CalmWish } from '@/core/rotation/calmCentre';
import { wheelbaseOf } from '@/core/vehicle/carSpec';
import { tightestRadius } from '@/core/vehicle/track';
import { numbersOption, positiveOption, UsageError, type Arguments } from './arguments';
import { shown, type Command } from './command';
import { InputError, orRefuse, readText } from './files';
import { named } from './named';

/** Rotation and linearity for a calmer or livelier centre that still goes round the hairpin: the guide of Shape. */
export const centre: Command = {
  name: 'centre',
  usage: 'centre FILE.json --base MIN,MAX,STEP,NOW --car C --track T --share PERCENT [--stretch] [--json]',
  options: ['base', 'car', 'track', 'share'],
  flags: ['stretch'],
  run(args) {
    const share = positiveOption(args, 'share');
    if (share === null) throw new UsageError('centre needs --share, percent of the centre as it is');
    const { wish, linearityNow } = wishOf(args);
    const now = settingAt(wish, wish.baseNowDeg, linearityNow);
    const found = calmCentre({ ...wish, wanted: (now.centre * share) / 100 });
    return {
      json: { now, found },
      table: [
        ['', 'base', 'linearity', 'road ° per hand °', 'hairpin, hand °', 'full lock, hand °'],
        ...(
          [
            ['now', now],
            ['found', found],
          ] as const
        ).map(([name, one]) => [
          name,
          ...[one?.baseDeg, one?.linearity, one?.centre, one?.hairpinDeg, one?.fullLockDeg].map(shown),
        ]),
      ],
    };
  },
};

function wishOf(args: Arguments): { wish: CalmWish; linearityNow: number } {
  const [file, ...more] = args.positional;
  if (!file || more.length > 0) throw new UsageError('centre takes one settings file of the steering');
  const { dialect, values } = orRefuse(file, readSettingsJson(readText(file)));
  const linearity = dialect.fields.find(({ maps }) => responseParameterOf(maps) === 'curve');
  if (!linearity)
    throw new InputError(file, [
      {
        code: 'no-curve',
        message: 'The title bends nothing around the centre.',
        place: { column: 'dialect.fields' },
        remedy: 'Name a dialect with a linearity.',
      },
    ]);
  const car = named(args, 'car', CARS, readAnyCarJson, 'centre');
  const track = named(args, 'track', TRACKS, readTrackJson, 'centre');
  const { baseField, baseNowDeg } = baseOf(args);
  return {
    linearityNow: valueOf(linearity, values),
    wish: {
      wanted: 0,
      baseNowDeg,
      baseField,
      linearity,
      layers: [NEUTRAL_LAYER, layerFromSettings(dialect, values), NEUTRAL_LAYER],
      titleLayer: 1,
      isStretch: args.flags.has('stretch'),
      carDeg: car.lockDeg,
      ratio: car.steeringRatio,
      hairpin: { radiusM: tightestRadius(track), wheelbaseM: wheelbaseOf(car) },
    },
  };
}

function baseOf(args: Arguments): { baseField: MenuField; baseNowDeg: number } {
  const numbers = numbersOption(args, 'base', 4);
  if (!numbers) throw new UsageError('centre needs --base');
  const [min, max, step, now] = numbers as [number, number, number, number];
  if (!(min > 0 && max > min && step > 0 && now >= min && now <= max))
    throw new UsageError(
      '--base takes the least, the greatest, one step, and the rotation now between the two',
    );
  const maps = { kind: 'degrees', of: 'rotation' } as const;
  return {
    baseField: { key: 'rotation', label: 'Rotation', min, max, step, neutral: now, maps },
    baseNowDeg: now,
  };
}
