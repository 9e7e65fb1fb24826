import { believedBase, hairpinHand, matchRotation } from '@/core/rotation/matchRotation';
import { numberOption, positiveOption, UsageError, type Arguments } from './arguments';
import { shown, type Command } from './command';

export const rotation: Command = {
  name: 'rotation',
  usage:
    'rotation --base P --title G --car L [--stretch] [--ratio i] [--shown D --at A] [--hairpin R --wheelbase W] [--json]',
  options: ['base', 'title', 'car', 'ratio', 'shown', 'at', 'hairpin', 'wheelbase'],
  flags: ['stretch'],
  run(args) {
    if (args.positional.length > 0)
      throw new UsageError(`rotation takes options only, not "${args.positional[0]}"`);
    const baseDeg = needed(args, 'base');
    const carDeg = needed(args, 'car');
    const match = matchRotation({
      baseDeg,
      titleDeg: needed(args, 'title'),
      carDeg,
      isStretch: args.flags.has('stretch'),
    });
    const [shownDeg, atDeg] = together(args, 'shown', 'at', true);
    const [radiusM, wheelbaseM] = together(args, 'hairpin', 'wheelbase', false);
    const ratio = positiveOption(args, 'ratio');
    const hairpin =
      radiusM !== null && wheelbaseM !== null && ratio !== null
        ? hairpinHand({ radiusM, wheelbaseM, ratio, carDeg })
        : null;
    const json = {
      ...match,
      believedBaseDeg: shownDeg !== null && atDeg !== null ? believedBase(baseDeg, shownDeg, atDeg) : null,
      hairpinHandDeg: hairpin && hairpin.handDeg,
      enough: hairpin && hairpin.isEnough,
    };
    return { json, table: Object.entries(json).map(([name, value]) => [name, shown(value)]) };
  },
};

function needed(args: Arguments, name: string): number {
  const value = positiveOption(args, name);
  if (value === null) throw new UsageError(`rotation needs --${name}`);
  return value;
}

/** A hand cannot hold less. */
const LEAST_ANGLE_DEG = 1e-3;

/** Two options that mean nothing without each other. Angles may be negative, but not 0 where they divide. */
function together(args: Arguments, a: string, b: string, isAngle: boolean): [number | null, number | null] {
  const read = isAngle ? numberOption : positiveOption;
  const pair: [number | null, number | null] = [read(args, a), read(args, b)];
  if ((pair[0] === null) !== (pair[1] === null)) throw new UsageError(`--${a} and --${b} go together`);
  if (isAngle && pair[1] !== null && Math.abs(pair[1]) < LEAST_ANGLE_DEG)
    throw new UsageError(`--${b} takes an angle other than 0`);
  return pair;
}
