import { writeFileSync } from 'node:fs';
import { CARS } from '@/catalog/cars';
import { TRACKS } from '@/catalog/tracks';
import { readAnyCarJson } from './carFile';
import { readProfileJson } from '@/core/formats/profileJson';
import { writeRideCsv } from '@/core/formats/rideCsv';
import { readTrackJson } from '@/core/formats/trackJson';
import { reasonOf } from '@/core/problem';
import { measureRide } from '@/core/rides/measureRide';
import { feltCar } from '@/core/force/feltCar';
import { forceRecorder } from '@/core/force/forceInputs';
import type { ForceChain } from '@/core/force/handsOff';
import { rideForce, withForce } from '@/core/force/rideForce';
import type { RideLog } from '@/core/rides/rideLog';
import { completeRide, type RidePlan } from '@/core/vehicle/simulateRide';
import { UsageError, wholeNumber } from './arguments';
import { shown, type Command } from './command';
import { InputError, orRefuse, readText } from './files';
import { lapTable } from './measure';
import { named, needed } from './named';

const MOST_LAPS = 100;

export const ride: Command = {
  name: 'ride',
  usage: 'ride --car C --track T --profile FILE.profile.json --laps N --seed S --out FILE.ride.csv [--json]',
  options: ['car', 'track', 'profile', 'laps', 'seed', 'out'],
  run(args) {
    if (args.positional.length > 0)
      throw new UsageError(`ride takes options only, not "${args.positional[0]}"`);
    const car = named(args, 'car', CARS, readAnyCarJson, 'ride');
    const track = named(args, 'track', TRACKS, readTrackJson, 'ride');
    const profileFile = needed(args, 'profile', 'ride');
    const out = needed(args, 'out', 'ride');
    const laps = wholeNumber(args, 'laps', 3, 1, MOST_LAPS);
    const seed = wholeNumber(args, 'seed', 1, 0, 2 ** 31);
    const { pedals, foot, force } = orRefuse(profileFile, readProfileJson(readText(profileFile)));
    const plan = { car, track, ...pedals, foot, laps, seed, isDetailed: true };
    const log = force
      ? rideWithForce(plan, { ...force, car: feltCar(car, force.title.trails) })
      : completeRide(plan);
    const { laps: measured, summary, missing } = measureRide(log);
    try {
      writeFileSync(out, writeRideCsv(log));
    } catch (error) {
      throw new InputError(out, [
        {
          code: 'unwritable',
          message: `The ride cannot be written (${reasonOf(error)}).`,
          place: {},
          remedy: 'Name a file in a folder that exists.',
        },
      ]);
    }
    const json = {
      out,
      rows: log.columns.t_s.length,
      car: car.id,
      track: track.id,
      seed,
      laps: measured,
      summary,
      missing,
    };
    return { json, table: [['log', `${out}, ${shown(json.rows)} rows`], ...lapTable(measured, summary)] };
  },
};

/** The ride with the title's force and the torque at the rim in its log. */
function rideWithForce(plan: RidePlan, chain: ForceChain): RideLog {
  const recorder = forceRecorder(chain.title.rateHz);
  const log = completeRide(plan, recorder);
  const inputs = recorder.finish();
  return withForce(log, inputs, rideForce(inputs, chain, plan.seed));
}
