import type { Measures } from './drill';
import { judgeNext, type Expected, type Judged } from './history';
import type { DrillName } from './measureDrill';

/** Which way of a measure is better; one that is missing is shown, and judged by nobody. */
type Way = 'less' | 'more';

/** What of each drill is a merit. Time from side to side alone is none: a quick rim straightens the car first. */
export const MERITS: Record<DrillName, { leading: string; of: Record<string, Way> }> = {
  circle: {
    leading: 'radiusSdM',
    of: { radiusSdM: 'less', slipSdDeg: 'less', throttleRateRms: 'less', reversalsPerMin: 'less' },
  },
  'brake-peak': { leading: 'peakSd', of: { peakSd: 'less' } },
  threshold: { leading: 'stopM', of: { stopM: 'less', lockShare: 'less' } },
  trail: { leading: 'largestSlipDeg', of: { largestSlipDeg: 'less' } },
  launch: { leading: 't60S', of: { t60S: 'less', t20S: 'less', spinM: 'less' } },
  initiate: { leading: 'angleSdDeg', of: { angleSdDeg: 'less', spins: 'less' } },
  catch: {
    leading: 'largestSlipDeg',
    of: { largestSlipDeg: 'less', settleS: 'less', lagMs: 'less', rimErrorDeg: 'less', spins: 'less' },
  },
  eight: { leading: 'largestSlipDeg', of: { largestSlipDeg: 'less', spins: 'less' } },
  'hold-angle': {
    leading: 'heldS',
    of: { heldS: 'more', slipSdDeg: 'less', reversalsPerMin: 'less', spins: 'less' },
  },
  weave: { leading: 'pathSdM', of: { pathSdM: 'less', reversalsOver2HzPerMin: 'less' } },
  'slow-roll': { leading: 'speedSdMps', of: { speedSdMps: 'less', stalls: 'less' } },
};

/** Drills in which one foot works about one place, and the measure that its curve makes larger. */
export const FOOT_DRILLS: Partial<Record<DrillName, { axis: 'throttle' | 'brake'; measure: string }>> = {
  circle: { axis: 'throttle', measure: 'throttleRateRms' },
  'brake-peak': { axis: 'brake', measure: 'peakSd' },
};

/** How the leading measure of an attempt stands against what was expected of it; `null` where one of the two is not known. */
export function judgedBy(name: DrillName, measures: Measures, expected: Expected | null): Judged | null {
  const { leading, of } = MERITS[name];
  const value = measures[leading];
  return expected && typeof value === 'number' ? judgeNext(expected, value, of[leading]!) : null;
}
