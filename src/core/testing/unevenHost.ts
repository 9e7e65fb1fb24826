import type { Host } from '../axes/simulateCapture';
import { seededRandom } from '../numeric/random';

/** How a busy host asks a device for its readings. */
export interface Polling {
  rateHz: number;
  /** A poll comes this late at most, s. */
  jitterS: number;
  /** Share of polls that never come, and how often in a second the host stands still for up to a tenth of one. */
  dropped: number;
  stallsPerS: number;
  /** Both the reading and its time come late, or only the time that is written beside it. */
  late: 'reading' | 'time';
  /** The device reports this often; between reports the host reads the last one again. */
  deviceHz: number;
}

const LONGEST_STALL_S = 0.1;
const LEAST_BETWEEN_S = 0.0002;

/** A seeded host of one capture: its polls are asked for in order, each once. */
export function unevenHost(polling: Polling, seed: number): Host {
  const random = seededRandom(seed * 7 + 3);
  let standsStillUntil = 0;
  let before = -1;
  return {
    deviceHz: polling.deviceHz,
    poll(i) {
      const dueS = i / polling.rateHz;
      if (random.uniform() < polling.stallsPerS / polling.rateHz)
        standsStillUntil = dueS + LONGEST_STALL_S * random.uniform();
      const lateBy = polling.jitterS * random.uniform();
      if (random.uniform() < polling.dropped || dueS < standsStillUntil) return null;
      const atS = Math.max(dueS + lateBy, before + LEAST_BETWEEN_S);
      before = atS;
      return { readS: polling.late === 'reading' ? atS : dueS, atS };
    },
  };
}
