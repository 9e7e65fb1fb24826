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

interface DrillWords {
  label: string;
  /** What is to be done. */
  how: string;
  /** What it is for. */
  about: string;
  measures: Record<string, MeasureWord>;
}

/** What each drill is called, and its measures by name. A new drill is an entry here and in `measureDrill.ts`. */
export const DRILL_WORDS: Record<DrillName, DrillWords> = {
  circle: {
    label: 'Throttle circle',
    how: 'Round and round, at one radius, by the throttle alone. Hold the wheel still.',
    about: 'How evenly the foot meters the throttle where it works.',
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
    how: 'Every few seconds press the brake to the same peak, six times or more. Keep rolling in between.',
    about: 'How well the foot finds the same pressure again.',
    measures: {
      presses: { label: 'presses', unit: '', digits: 0 },
      peakMean: { label: 'mean peak', unit: '%', times: 100, digits: 0 },
      peakSd: { label: 'spread of the peaks', unit: '%', times: 100, digits: 1 },
    },
  },
  threshold: {
    label: 'Threshold braking',
    how: 'One stop from speed, as short as you can, without locking the fronts.',
    about: 'How close to the limit of the tyres the foot stays.',
    measures: {
      stopM: { label: 'stop', unit: 'm', digits: 1 },
      lockShare: { label: 'of it with locked fronts', unit: '%', times: 100, digits: 0 },
    },
  },
  trail: {
    label: 'Trail braking',
    how: 'Brake for the hairpin, and let the brake go while the car turns in.',
    about: 'How brake and steering pass into each other.',
    measures: {
      overlapS: { label: 'braked and turned at once', unit: 's', digits: 1 },
      brakeReleaseRate: { label: 'rate of release', unit: '1/s', digits: 2 },
      largestSlipDeg: SLIP,
    },
  },
  launch: {
    label: 'Launch',
    how: 'From standstill as quickly as it goes, over 60 metres.',
    about: 'Clutch, throttle and what the wheels hold.',
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
    how: 'Break the rear loose and let it come back, to the same angle each time: by throttle, by a lift and a flick, by a kick of the clutch, or by the handbrake.',
    about: 'How surely a slide begins as it was meant to.',
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
    how: 'Let the rear go, let the rim run through the hands, and catch it.',
    about: 'How soon and how exactly the hands answer a slide.',
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
    how: 'Slide round to the left, swing over, slide round to the right.',
    about: 'How a slide is led from one side to the other.',
    measures: {
      transitionS: { label: 'from side to side', unit: 's', digits: 2 },
      largestSlipDeg: SLIP,
      spins: SPINS,
    },
  },
  'hold-angle': {
    label: 'Held slide',
    how: 'Slide round the circle and hold one angle for as long as it goes: more throttle widens it, less closes it.',
    about: 'How well hand and foot balance each other.',
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
    how: 'Keep the speed, and weave evenly to and fro along the lane.',
    about: 'How calm the hands are about the middle.',
    measures: {
      reversalsOver2HzPerMin: { label: 'quick turns of the hand a minute', unit: '', digits: 0 },
      pathSdM: { label: 'spread of the path', unit: 'm', digits: 2 },
      hysteresisNm: { label: 'width of the force’s loop', unit: 'N·m', digits: 1 },
    },
  },
  'slow-roll': {
    label: 'Slow roll',
    how: 'Roll at walking pace, under 3 m/s, as evenly as you can.',
    about: 'How fine the first of the throttle’s travel is.',
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
