import type { NewestRide, RideLine } from '@/book/model/rideView';
import type { BookView } from '@/book/model/bookView';
import { settingNames } from '@/book/judge/trail';
import { useEarlierRides } from '@/parts/useEarlierRides';
import { Button } from '@/ui/Button';
import { Facts } from '@/ui/StationPage';
import { decibels, lapTime, moment } from '@/words/format';
import { percent } from '@/core/text/percent';

/** What the newest ride says of the brake. */
export function LastRide({ ride }: { ride: NewestRide }) {
  const { lapTimeS, brakeDrag, brakeReach, brakePeak, brakeSpread } = ride.summary;
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
export function RideForceFacts({ clipping }: { clipping: NonNullable<NewestRide['clipping']> }) {
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

/** The rides of the combination, the newest first; those that lie further back when they are asked for. */
export function RideTable({ view }: { view: BookView }) {
  const { lines, isMore, more } = useEarlierRides(view);
  return (
    <>
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
          {lines.toReversed().map((ride) => (
            <RideRow key={ride.id} ride={ride} view={view} />
          ))}
        </tbody>
      </table>
      {isMore && (
        <Button className="mt-3" onClick={more}>
          Earlier rides
        </Button>
      )}
    </>
  );
}

function RideRow({ ride, view }: { ride: RideLine; view: BookView }) {
  return (
    <tr className="border-t border-line align-top">
      <td className="py-2 pr-4 font-bold">{ride.mark ?? ''}</td>
      <td className="py-2 pr-4">{moment(ride.atMs)}</td>
      <td className={`py-2 pr-4 ${ride.changed.length > 1 ? 'text-rust' : ''}`}>
        {ride.changed.length === 0 ? 'nothing' : settingNames(view, ride.changed)}
        {ride.changed.length > 1 && ' (confounded)'}
      </td>
      <td className="py-2 pr-4 font-mono text-sm">
        {ride.laps.map(({ timeS, why }, i) => (
          <span key={i} className={`mr-3 inline-block ${timeS === null ? 'text-muted' : ''}`}>
            {timeS !== null ? lapTime(timeS) : why ? WHY_NOT[why] : ''}
          </span>
        ))}
        {ride.moreLaps > 0 && <span className="text-muted">and {ride.moreLaps} more</span>}
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
  );
}
