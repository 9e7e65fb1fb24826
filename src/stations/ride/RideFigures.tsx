import type { NewestRide, RideLine } from '@/book/model/rideView';
import type { BookView } from '@/book/model/bookView';
import { settingNames } from '@/book/judge/trail';
import { useEarlierRides } from '@/parts/useEarlierRides';
import { Button } from '@/ui/Button';
import { rideBasis } from '@/book/judge/basis';
import { Facts, restOn } from '@/parts/Facts';
import { momentValue, Table } from '@/ui/Table';
import { decibels, lapTime, moment } from '@/words/format';
import { MEASURES_SHOWN } from '@/core/rides/measures';
import { percent } from '@/core/text/percent';
import { measureValue } from '@/words/measures';

/** What the newest ride says by every measure. */
export function LastRide({ view, ride }: { view: BookView; ride: NewestRide }) {
  return (
    <Facts
      facts={restOn(
        rideBasis(view, ride),
        MEASURES_SHOWN.map((measure) => {
          const value = ride.summary[measure.name];
          return { value: value === null ? '–' : measureValue(measure, value), meaning: measure.meaning };
        }),
      )}
    />
  );
}

/** Clipping as it was logged, simulated or not. */
export function RideForceFacts({
  view,
  ride,
  clipping,
}: {
  view: BookView;
  ride: NewestRide;
  clipping: NonNullable<NewestRide['clipping']>;
}) {
  const { clipShare, sustainedShare, headroomDb, gainKeepEveryPeak, gainTradeBiggestHits } = clipping;
  const factor = (value: number | null) => (value === null ? '–' : `× ${value.toFixed(2)}`);
  return (
    <section aria-label="Force of the newest ride">
      <Facts
        facts={restOn(rideBasis(view, ride), [
          { value: percent(clipShare, 1), meaning: 'of the time the force was clipped' },
          { value: percent(sustainedShare, 1), meaning: 'held at the limit' },
          { value: headroomDb === null ? '–' : decibels(headroomDb), meaning: 'of headroom' },
          { value: factor(gainKeepEveryPeak), meaning: 'the gain would keep every peak' },
          { value: factor(gainTradeBiggestHits), meaning: 'the gain would trade the biggest hits' },
        ])}
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
    <div className="mt-6">
      <Table
        label="Rides of this combination"
        caption={<span className="font-bold">Rides of this combination</span>}
        rows={lines.toReversed()}
        keyOf={(ride) => ride.id}
        fileName="rides"
        columns={[
          { head: 'Mark', value: (ride) => ride.mark ?? '', className: 'font-bold' },
          {
            head: 'When',
            value: (ride) => momentValue(ride.atMs),
            view: (ride) => moment(ride.atMs),
            className: 'whitespace-nowrap',
          },
          {
            head: 'Changed before it',
            value: (ride) => changedText(view, ride),
            view: (ride) => (
              <span className={ride.changed.length > 1 ? 'text-rust' : ''}>{changedText(view, ride)}</span>
            ),
          },
          {
            head: 'Laps',
            value: (ride) => ride.laps.map(lapText).join(' '),
            view: (ride) => <Laps ride={ride} />,
            className: 'font-mono text-sm',
          },
          { head: '', view: (ride) => <RideFile id={ride.id} /> },
        ]}
      />
      {isMore && (
        <Button className="mt-3" onClick={more}>
          Earlier rides
        </Button>
      )}
    </div>
  );
}

function changedText(view: BookView, { changed }: RideLine): string {
  if (changed.length === 0) return 'nothing';
  return `${settingNames(view, changed)}${changed.length > 1 ? ' (confounded)' : ''}`;
}

function lapText(lap: RideLine['laps'][number]): string {
  return typeof lap === 'number' ? lapTime(lap) : WHY_NOT[lap];
}

function Laps({ ride }: { ride: RideLine }) {
  return (
    <>
      {ride.laps.map((lap, i) => (
        <span key={i} className={`mr-3 inline-block ${typeof lap === 'number' ? '' : 'text-muted'}`}>
          {lapText(lap)}
        </span>
      ))}
      {ride.moreLaps > 0 && <span className="text-muted">and {ride.moreLaps} more</span>}
    </>
  );
}

function RideFile({ id }: { id: string }) {
  return (
    <a
      className="font-semibold text-muted underline-offset-4 hover:underline"
      href={`/api/rides/file?id=${id}`}
    >
      CSV
    </a>
  );
}
