import { percent } from '../text/percent';
import { restingLimb, strokeOf, strokesOf } from './axes';
import type { PedalAnalysis } from './pedalAnalysis';
import { runsOf, type Recording } from './recording';
import { notJudged, roughAdvice, roughPlace } from './roughAdvice';
import type { Roughness } from './roughness';
import { LEAST_PRESSES } from './saturation';

/** Below this rate the wear of a track is judged roughly. */
const FINE_RATE_HZ = 125;
/** A longer pause than this between two samples is a gap. */
const GAP_S = 0.25;
/** A sweep in which this axis hardly moves was a sweep of another one. */
const OTHER_AXIS = 0.05;
/** An axis that reads more than this untouched needs a word. */
const REST_SHOWS = 0.005;

const seconds = (t: number) => `${t.toFixed(1)} s`;
const plural = (n: number, one: string) => `${n} ${one}${n === 1 ? '' : 's'}`;

interface Case {
  analysis: PedalAnalysis;
  recording: Recording;
  wear: Roughness;
}

/** Each entry looks at the result and says nothing, or one sentence or more. */
const WATCHES: ((c: Case) => string[])[] = [
  ({ recording }) => recording.remarks ?? [],
  ({ analysis: { quantum } }) =>
    quantum === null
      ? ['No step repeats in the readings: the host smooths this axis, so its resolution cannot be told.']
      : [],
  ({ recording: { t } }) => {
    const gaps: string[] = [];
    for (let i = 1; i < t.length; i++)
      if (t[i]! - t[i - 1]! > GAP_S)
        gaps.push(`Nothing was recorded between ${seconds(t[i - 1]!)} and ${seconds(t[i]!)}.`);
    return gaps.length > 3 ? [`${gaps.length} gaps in the recording; the first: ${gaps[0]}`] : gaps;
  },
  ({ analysis: { inverted } }) =>
    inverted ? ['The axis reads inverted: released is its high end. Invert it where it is bound.'] : [],
  ({ analysis: { restTravel } }) =>
    restTravel > REST_SHOWS ? [`Untouched, the axis reads ${percent(restTravel, 1)}, not 0.`] : [],
  ({ analysis: { sweeps } }) =>
    sweeps
      .filter((s) => !s.full && s.high - s.low >= OTHER_AXIS)
      .map(
        (s) =>
          `The sweep at ${seconds(s.tS)} covers only ${percent(s.high - s.low, 1)} of the travel; it is left out.`,
      ),
  ({ analysis: { axis, presses } }) =>
    presses
      .filter((p) => !p.counted)
      .map(
        (p) =>
          `The ${strokeOf(axis)} at ${seconds(p.tS)} stopped at ${percent(p.peak, 1)}, far below the others; it is left out.`,
      ),
  ({ analysis, recording }) => {
    const counted = analysis.presses.filter((p) => p.counted).length;
    if (counted >= LEAST_PRESSES) return [];
    const said =
      runsOf(recording, 'press').length === 0
        ? `There is no ${strokeOf(analysis.axis)}`
        : `Only ${counted} ${counted === 1 ? strokeOf(analysis.axis) : strokesOf(analysis.axis)} counted`;
    return [
      `${said}: record at least ${LEAST_PRESSES} of your hardest comfortable ${strokesOf(analysis.axis)} for a saturation (6 are better).`,
    ];
  },
  ({ analysis: { axis, deadzone } }) =>
    deadzone === null ? [`No ${restingLimb(axis)} and no slack recorded: the dead zone cannot be told.`] : [],
  ({ wear: { refused } }) =>
    refused > 0
      ? [`${plural(refused, 'sweep')} crossed in under half a second: too fast to judge the track's wear.`]
      : [],
  ({ analysis: { rateHz }, wear }) => {
    if (!wear.isJudged && wear.refused === 0) return [notJudged(rateHz)];
    return rateHz < FINE_RATE_HZ
      ? [`At ${rateHz.toFixed(0)} Hz wear is judged roughly; ${FINE_RATE_HZ} Hz or more would be sure.`]
      : [];
  },
  ({ analysis: { axis, roughSpots } }) =>
    roughSpots.map((spot) => `Rough track ${roughPlace(spot, axis)}. ${roughAdvice(spot, axis)}`),
  ({ analysis: { dropouts } }) =>
    dropouts > 0
      ? [`The signal dropped out ${plural(dropouts, 'time')}: look at the sensor and its plug.`]
      : [],
];

/** Sentences on what in this capture a driver should know or do again. */
export function pedalWarnings(analysis: PedalAnalysis, recording: Recording, wear: Roughness): string[] {
  return WATCHES.flatMap((watch) => watch({ analysis, recording, wear }));
}
