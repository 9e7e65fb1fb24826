import type { AlongCompared, PairsAlongRoad } from '@/core/experiment/alongPairs';
import { LEAST_PAIRS } from '@/core/experiment/signFlips';
import type { AlongChannel } from '@/core/rides/alongRoad';
import { placeText, type RoadPlace } from '@/core/vehicle/roadPlaces';
import { signed } from './format';
import { SENTENCES } from './verdictSentences';

/** What each channel is called and how it is written. A new one is an entry here. */
export const ALONG_WORDS: Record<
  AlongChannel,
  { label: string; unit: string; times: number; digits: number }
> = {
  time: { label: 'Time', unit: 's', times: 1, digits: 2 },
  speed_mps: { label: 'Speed', unit: 'km/h', times: 3.6, digits: 1 },
  steer_deg: { label: 'Steering', unit: '°', times: 1, digits: 1 },
  brake: { label: 'Brake', unit: '%', times: 100, digits: 1 },
  throttle: { label: 'Throttle', unit: '%', times: 100, digits: 1 },
  torque_nm: { label: 'Force at the rim', unit: 'N·m', times: 1, digits: 2 },
  ffb: { label: 'Force signal', unit: '%', times: 100, digits: 1 },
};

/** So many places are named, the widest of them. */
const MOST_NAMED = 3;

/** Where on the road A and B differ in one channel. */
export function alongSentence(
  { channel, shown, difference }: Pick<AlongCompared, 'channel' | 'shown' | 'difference'>,
  stepM: number,
  pairs: number,
  places: readonly RoadPlace[] = [],
): string {
  const { label, unit, times, digits } = ALONG_WORDS[channel];
  if (pairs < LEAST_PAIRS) return SENTENCES.bandNeeds(LEAST_PAIRS, pairs);
  if (shown.length === 0) return SENTENCES.nowhere(label);
  const length = ({ fromM, toM }: { fromM: number; toM: number }) => toM - fromM;
  const named = shown
    .toSorted((x, y) => length(y) - length(x))
    .slice(0, MOST_NAMED)
    .toSorted((x, y) => x.fromM - y.fromM)
    .map(({ fromM, toM }) => {
      const part = difference.slice(fromM / stepM, toM / stepM);
      const mean = (times * part.reduce((a, v) => a + v, 0)) / part.length;
      const where = places.length > 0 ? ` ${placeText(places, fromM, toM)}` : '';
      return `${fromM} to ${toM} m${where} (${signed(mean, digits)} ${unit})`;
    });
  return SENTENCES.somewhere(label, named);
}

/** More than half of the laps. */
const MOST_LAPS = 0.5;

/** Where the force is clipped by each side, by the corners of the road; `null` where neither clips in most laps. */
export function clipsSentence(
  clips: NonNullable<PairsAlongRoad['clips']>,
  stepM: number,
  places: readonly RoadPlace[],
): string | null {
  const at = (shares: readonly number[]) => [
    ...new Set(
      clipPlaces(shares, stepM).map((m) =>
        places.length > 0 ? placeText(places, m, m + stepM) : `at ${m} m`,
      ),
    ),
  ];
  const [a, b] = [at(clips.a), at(clips.b)];
  return a.length + b.length > 0 ? SENTENCES.clipsAt(a, b) : null;
}

/** Places, m from the line, in which most laps clip. */
export const clipPlaces = (shares: readonly number[], stepM: number): number[] =>
  shares.flatMap((share, i) => (share > MOST_LAPS ? [i * stepM] : []));
