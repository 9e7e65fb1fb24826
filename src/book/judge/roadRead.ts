import type { DescribedTrack } from '@/core/formats/trackJson';
import type { RoadFromLog } from '@/core/roads/roadFromLog';
import type { RoadSource } from '@/core/roads/lapCurvature';

const SOURCE_WORDS: Record<RoadSource, string> = {
  position: 'the positions in it',
  yaw: 'its yaw rate and speed',
  steering: 'its steering and speed',
};

const laps = (n: number) => (n === 1 ? 'one lap' : `${n} laps`);

/** Where a road that was read from a ride comes from, in a line that fits its file. */
export const roadOrigin = ({ laps: n, source }: RoadFromLog, from: string): string =>
  `${laps(n)} of ${from}, by ${SOURCE_WORDS[source]}`.slice(0, 300);

/** What is to be said of how a road was read: what it missed, and what that means. */
export function saidOfReading(road: RoadFromLog): string[] {
  const { gapM, headingOffDeg, source, scaleSigma, lengthM, warnings } = road;
  const said: string[] = [];
  if (gapM !== null)
    said.push(
      `It ended ${gapM.toFixed(gapM < 10 ? 1 : 0)} m (${((100 * gapM) / lengthM).toFixed(1)} % of its length) and ${headingOffDeg!.toFixed(1)}° from its start; the least change of curvature closed it.`,
    );
  else said.push('It ends elsewhere than it begins: an open road.');
  if (source === 'steering')
    said.push(
      `All radii may be off together by ${(196 * scaleSigma).toFixed(0)} % (95 %): the car’s steering ratio, wheelbase and slip stand behind them.`,
    );
  return [...said, ...warnings];
}

/** What a road is until somebody gave it a name. */
export const NEW_ROAD: DescribedTrack = { name: '', widthM: null, closed: true, segments: [], origin: '' };
