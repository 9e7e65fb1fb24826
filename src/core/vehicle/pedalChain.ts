import { bisect } from '../numeric/bisect';
import { clippedTravel, type PedalCalibration } from '../axes/calibration';
import { pedalSensor, type PedalHardware } from '../axes/pedalSensor';
import type { Random } from '../numeric/random';
import { effectiveResponse, respond } from '../response/compose';
import type { ResponseLayer } from '../response/layer';

/** One pedal from foot to title: sensor, calibration and response layers under test. */
export interface PedalSetup {
  hardware: PedalHardware;
  calibration: PedalCalibration;
  layers: ResponseLayer[];
}

const TABLE_STEPS = 500;

export interface PedalChain {
  /** What the title sees for a foot position, 0…1 each. */
  read(t: number, position: number): number;
  /** The position that a driver who knows this pedal presses for a wanted output, `most` at most. */
  positionFor(output: number, most: number): number;
  /** Greatest output that a position gives. */
  outputAt(position: number): number;
}

export function pedalChain(setup: PedalSetup, random: Random, rateHz: number): PedalChain {
  const { hardware, calibration, layers } = setup;
  const sense = pedalSensor(hardware, random, rateHz);
  const ideal = (position: number) =>
    respond(
      layers,
      clippedTravel(calibration, hardware.released + position * (hardware.pressed - hardware.released)),
    );
  const table = Float64Array.from({ length: TABLE_STEPS + 1 }, (_, i) => ideal(i / TABLE_STEPS));
  const { deadzone } = effectiveResponse(layers);
  return {
    read: (t, position) => respond(layers, clippedTravel(calibration, sense(t, position))),
    outputAt: ideal,
    positionFor(output, most) {
      if (output <= 0) return deadzone;
      const high = bisect(0, TABLE_STEPS, (i) => table[i]! >= output);
      const low = high - 1;
      const rise = table[high]! - table[low]!;
      const share = rise > 0 ? Math.min(1, Math.max(0, (output - table[low]!) / rise)) : 1;
      return Math.min(most, (low + share) / TABLE_STEPS);
    },
  };
}
