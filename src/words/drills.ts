import type { DrillName, DrillShown } from '@/core/drills/measureDrill';

/** How a measure is called and written. */
interface MeasureWord {
  label: string;
  unit: string;
  times?: number;
  digits: number;
}

const RADIUS: MeasureWord = { label: 'radius', unit: 'm', digits: 1 };
const REVERSALS: MeasureWord = { label: 'turns of the foot a minute', unit: '', digits: 0 };
const SLIP: MeasureWord = { label: 'largest slip', unit: '°', digits: 0 };
const SPINS: MeasureWord = { label: 'spins', unit: '', digits: 0 };

/** What each drill is called, and its measures by name. A new drill is an entry here and in `measureDrill.ts`. */
export const DRILL_WORDS: Record<DrillName, { label: string; measures: Record<string, MeasureWord> }> = {
  circle: {
    label: 'Throttle circle',
    measures: {
      radiusM: RADIUS,
      radiusSdM: { label: 'spread of the radius', unit: 'm', digits: 2 },
      slipSdDeg: { label: 'spread of the slip', unit: '°', digits: 1 },
      throttleRateRms: { label: 'rate of the foot', unit: '1/s', digits: 2 },
      reversalsPerMin: REVERSALS,
    },
  },
  'brake-peak': {
    label: 'Brake peaks',
    measures: {
      presses: { label: 'presses', unit: '', digits: 0 },
      peakMean: { label: 'mean peak', unit: '%', times: 100, digits: 0 },
      peakSd: { label: 'spread of the peaks', unit: '%', times: 100, digits: 1 },
    },
  },
  threshold: {
    label: 'Threshold braking',
    measures: {
      stopM: { label: 'stop', unit: 'm', digits: 1 },
      lockShare: { label: 'of it with locked fronts', unit: '%', times: 100, digits: 0 },
    },
  },
  trail: {
    label: 'Trail braking',
    measures: {
      overlapS: { label: 'braked and turned at once', unit: 's', digits: 1 },
      brakeReleaseRate: { label: 'rate of release', unit: '1/s', digits: 2 },
      largestSlipDeg: SLIP,
    },
  },
  launch: {
    label: 'Launch',
    measures: {
      spinM: { label: 'wheelspin', unit: 'm', digits: 1 },
      bog: { label: 'engine dropped by', unit: '%', times: 100, digits: 0 },
      t20S: { label: '20 m', unit: 's', digits: 2 },
      t60S: { label: '60 m', unit: 's', digits: 2 },
      clutchKj: { label: 'clutch heat', unit: 'kJ', digits: 0 },
    },
  },
  initiate: {
    label: 'Breaking it loose',
    measures: {
      slides: { label: 'slides', unit: '', digits: 0 },
      byPower: { label: 'by power', unit: '', digits: 0 },
      byWeight: { label: 'by weight', unit: '', digits: 0 },
      byClutch: { label: 'by a kick of the clutch', unit: '', digits: 0 },
      byHandbrake: { label: 'by the handbrake', unit: '', digits: 0 },
      angleMeanDeg: { label: 'mean of the angles', unit: '°', digits: 0 },
      angleSdDeg: { label: 'spread of the angles', unit: '°', digits: 1 },
      spins: SPINS,
    },
  },
  catch: {
    label: 'Slides caught',
    measures: {
      spins: SPINS,
      lagMs: { label: 'lag of the hand', unit: 'ms', digits: 0 },
      rimErrorDeg: { label: 'error of the rim', unit: '°', digits: 0 },
      largestSlipDeg: SLIP,
      reversals: { label: 'turns of the hand', unit: '', digits: 0 },
      settleS: { label: 'straight after', unit: 's', digits: 1 },
      stopHits: { label: 'hits of the stop', unit: '', digits: 0 },
    },
  },
  eight: {
    label: 'Figure of eight',
    measures: {
      transitionS: { label: 'from side to side', unit: 's', digits: 2 },
      largestSlipDeg: SLIP,
      spins: SPINS,
    },
  },
  'hold-angle': {
    label: 'Held slide',
    measures: {
      heldS: { label: 'longest slide', unit: 's', digits: 1 },
      slipMeanDeg: { label: 'its angle', unit: '°', digits: 0 },
      slipSdDeg: { label: 'spread of the angle', unit: '°', digits: 1 },
      reversalsPerMin: { label: 'turns of the hand a minute', unit: '', digits: 0 },
      spins: SPINS,
    },
  },
  weave: {
    label: 'Weave',
    measures: {
      reversalsOver2HzPerMin: { label: 'quick turns of the hand a minute', unit: '', digits: 0 },
      pathSdM: { label: 'spread of the path', unit: 'm', digits: 2 },
      hysteresisNm: { label: 'width of the force’s loop', unit: 'N·m', digits: 1 },
    },
  },
  'slow-roll': {
    label: 'Slow roll',
    measures: {
      speedSdMps: { label: 'spread of the speed', unit: 'm/s', digits: 2 },
      stalls: { label: 'stalls', unit: '', digits: 0 },
      reversalsPerMin: REVERSALS,
    },
  },
};

/** "radius 25.1 m, spread of the radius 0.37 m": what is known of an attempt. */
export function drillText({ name, measures }: DrillShown): string {
  return Object.entries(measures)
    .flatMap(([key, value]) => {
      const word = DRILL_WORDS[name].measures[key];
      if (!word || value === null) return [];
      return [`${word.label} ${figureText(word, value)}`];
    })
    .join(', ');
}

/** "0.37 m", "12°". */
export function figureText({ times = 1, digits, unit }: MeasureWord, value: number): string {
  return `${(times * value).toFixed(digits)}${unit === '°' || unit === '' ? unit : ` ${unit}`}`;
}
