import type { RideView } from '@/book/model/rideView';
import type { BookView } from '@/book/model/bookView';
import { settingNames } from '@/book/judge/trail';
import { Facts } from '@/ui/StationPage';
import { decibels, lapTime, moment, percent } from '@/words/format';

/** What the newest ride says of the brake. */
export function LastRide({ ride }: { ride: RideView }) {
  const { lapTimeS, brakeDrag, brakeReach, brakePeak, brakeSpread } = ride.measures.summary;
  const shown = (value: number | null, say: (v: number) => string) => (value === null ? '–' : say(value));
  return (
    <Facts
      facts={[
        { value: shown(lapTimeS, lapTime), meaning: 'mean of the counted laps' },
        { value: shown(brakeDrag, (v) => percent(v)), meaning: 'of full throttle with the brake over 1 %' },
        { value: shown(brakeReach, (v) => percent(v)), meaning: 'of full presses show 100 %' },
        { value: shown(brakePeak, (v) => percent(v)), meaning: 'greatest brake of a lap, mean' },
        { value: shown(brakeSpread, (v) => percent(v, 1)), meaning: 'spread (σ) of the full presses' },
      ]}
    />
  );
}

/** Clipping as it was logged, simulated or not. */
export function RideForceFacts({ clipping }: { clipping: NonNullable<RideView['clipping']> }) {
  const { clipShare, sustainedShare, headroomDb, gainKeepEveryPeak, gainTradeBiggestHits } = clipping;
  const factor = (value: number | null) => (value === null ? '–' : `× ${value.toFixed(2)}`);
  return (
    <section aria-label="Force of the newest ride">
      <Facts
        facts={[
          { value: percent(clipShare, 1), meaning: 'of the time the force was clipped' },
          { value: percent(sustainedShare, 1), meaning: 'held at the limit' },
          { value: headroomDb === null ? '–' : decibels(headroomDb), meaning: 'of headroom' },
          { value: factor(gainKeepEveryPeak), meaning: 'the gain would keep every peak' },
          { value: factor(gainTradeBiggestHits), meaning: 'the gain would trade the biggest hits' },
        ]}
      />
    </section>
  );
}

const WHY_NOT = {
  'out-lap': 'out-lap',
  'in-lap': 'in-lap',
  'off-track': 'left the road',
  'over-107': 'over 107 % of the best',
};

/** The rides of the combination, the newest first. */
export function RideTable({ view }: { view: BookView }) {
  return (
    <table className="mt-6 w-full text-left text-[15px]">
      <caption className="pb-2 text-left font-bold">Rides of this combination</caption>
      <thead className="text-sm text-muted">
        <tr>
          {['', 'When', 'Changed before it', 'Laps', ''].map((name, i) => (
            <th key={i} className="py-1 pr-4 font-normal">
              {name}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {view.rides.toReversed().map((ride) => (
          <tr key={ride.id} className="border-t border-line align-top">
            <td className="py-2 pr-4 font-bold">{ride.mark ?? ''}</td>
            <td className="py-2 pr-4">{moment(ride.atMs)}</td>
            <td className={`py-2 pr-4 ${ride.changed.length > 1 ? 'text-rust' : ''}`}>
              {ride.changed.length === 0 ? 'nothing' : settingNames(view, ride.changed)}
              {ride.changed.length > 1 && ' (confounded)'}
            </td>
            <td className="py-2 pr-4 font-mono text-sm">
              {ride.measures.laps.map((lap) => (
                <span key={lap.lap} className={`mr-3 inline-block ${lap.counted ? '' : 'text-muted'}`}>
                  {lap.counted && lap.timeS !== null ? lapTime(lap.timeS) : lap.why ? WHY_NOT[lap.why] : ''}
                </span>
              ))}
            </td>
            <td className="py-2">
              <a
                className="font-semibold text-muted underline-offset-4 hover:underline"
                href={`/api/rides/file?id=${ride.id}`}
              >
                CSV
              </a>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
