import { CARS } from '@/catalog/cars';
import { crashSpike } from '@/core/force/crashSpike';
import { halfTurn } from '@/core/force/halfTurn';
import { feltCar } from '@/core/force/feltCar';
import { handsOff } from '@/core/force/handsOff';
import { greatestMinForce, leastDamper } from '@/core/force/handsOffSearch';
import { readProfileJson } from '@/core/formats/profileJson';
import { positiveOption, UsageError } from './arguments';
import { shown, type Command } from './command';
import { InputError, orRefuse, readText } from './files';

const SLOWEST_MPS = 1;
const FASTEST_MPS = 100;
/** Finer than any title's own step. */
const MIN_FORCE_STEP = 0.001;

export const handsoff: Command = {
  name: 'handsoff',
  usage: 'handsoff FILE.profile.json --speed V [--json]',
  options: ['speed'],
  run(args) {
    const [file, ...more] = args.positional;
    if (!file || more.length > 0) throw new UsageError('handsoff takes one profile');
    const speed = positiveOption(args, 'speed');
    if (speed === null) throw new UsageError('handsoff needs --speed, in m/s');
    if (speed < SLOWEST_MPS || speed > FASTEST_MPS)
      throw new UsageError(`--speed takes ${SLOWEST_MPS} to ${FASTEST_MPS} m/s, not ${speed}`);
    const { force, car: name } = orRefuse(file, readProfileJson(readText(file)));
    const car = CARS.find((one) => one.id === name || one.name === name);
    const refuse = (code: string, column: string, message: string, remedy: string) =>
      new InputError(file, [{ code, message, place: { column }, remedy }]);
    if (!force)
      throw refuse(
        'no-force',
        'force',
        'The profile says nothing of the force.',
        'Save it from a combination whose base is described.',
      );
    if (!car)
      throw refuse(
        'unknown-car',
        'car',
        `There is no car called "${name}".`,
        `Known are: ${CARS.map((one) => one.id).join(', ')}.`,
      );
    const chain = { ...force, car: feltCar(car, force.title.trails) };
    const { verdict, settleS, rmsDeg, frequencyHz } = handsOff(chain, speed);
    const least = leastDamper(chain, speed);
    const json = {
      verdict,
      settleS,
      rmsDeg,
      frequencyHz,
      leastDamper: least.damperNms,
      greatestMinForce: greatestMinForce(chain, speed, MIN_FORCE_STEP),
      crash: crashSpike(chain),
      halfTurn: halfTurn(chain),
      warnings: least.why ? [least.why] : [],
    };
    return {
      json,
      table: [
        ['let go', verdict],
        ['settles after', `${shown(settleS)} s`],
        ['moves by', `${shown(rmsDeg)}° (RMS), ${shown(frequencyHz)} Hz`],
        ['least damper', `${shown(json.leastDamper)} N·m·s/rad`],
        ['greatest minimum force', shown(json.greatestMinForce)],
        [
          'a crash',
          `up to ${shown(json.crash.torqueNm)} N·m, there after ${shown(json.crash.riseS)} s; a free rim turns a quarter in ${shown(json.crash.quarterS)} s`,
        ],
        ...json.warnings.map((warning) => ['note', warning]),
      ],
    };
  },
};
