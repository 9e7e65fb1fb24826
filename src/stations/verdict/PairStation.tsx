'use client';

import Link from 'next/link';
import { useCallback } from 'react';
import { Button } from '@/ui/Button';
import { Chart, ChartPlace } from '@/ui/Chart';
import type { BookView } from '@/book/model/bookView';
import { putBack, applyChanges } from '@/book/write/settings';
import { settingNames } from '@/book/judge/trail';
import { pairFinding } from '@/book/judge/road/verdict';
import { roadName } from '@/book/judge/roadName';
import type { TrailChangeItem } from '@/book/model/trailView';
import { useEarlierRides } from '@/parts/useEarlierRides';
import { useRideTrace } from '@/parts/useRideTrace';
import { setMark } from '@/book/write/rides';
import type { RideTrace } from '@/book/model/rideTrace';
import { NextStep, StationPage } from '@/ui/StationPage';
import { moment } from '@/words/format';
import { notifyReply } from '@/parts/notifyReply';
import { apartText } from '@/book/judge/tellRidesApart';
import type { Pair, RidesToldApart } from '@/book/model/pair';
import { verdictOption } from './verdictChart';
import { keyOfText } from '@/core/settings/setting';
import { percent } from '@/core/text/percent';
import { trustSentence } from '@/words/verdict';
import { ComparisonTable } from './ComparisonTable';

/** Two rides of the trail, A against B: over distance and in numbers, one sentence, keep or put back. */
export function PairStation({ view, pair }: { view: BookView; pair: Pair | null }) {
  if (!pair) return <NoPair view={view} />;
  const { a, b, comparisons, between, sides } = pair;
  const { changed } = pair;
  return (
    <StationPage
      finding={pairFinding(view, pair).heading}
      subtitle={`A ${moment(a.atMs)}, B ${moment(b.atMs)}. ${trustSentence(comparisons, sides, { isChanged: changed.length > 0 })}`}
      next={
        <Decide
          view={view}
          pair={pair}
          changed={changed}
          names={settingNames(view, changed)}
          between={between}
        />
      }
    >
      <PairPicture a={a.id} b={b.id} />
      <p className="mt-1 text-sm text-muted" aria-hidden="true">
        <span className="font-bold text-side-a">A ●━━</span> solid with circles,{' '}
        <span className="font-bold text-side-b">B ▲╍╍</span> dashed with triangles; median of the counted laps
      </p>
      <ComparisonTable comparisons={comparisons} />
    </StationPage>
  );
}

/** Several changes and one difference: which to put back for the next ride. */
function Apart({ pair, apart, view }: { pair: Pair; apart: RidesToldApart; view: BookView }) {
  const { next, shares } = apart;
  const likely = shares.toSorted((x, y) => y.share - x.share);
  return (
    <NextStep
      title="Which of them did it?"
      actions={
        next &&
        pair.putBack.length > 0 && (
          <Button
            onClick={() =>
              void applyChanges(
                pair.putBack.map(({ key, to }) => ({
                  ...keyOfText(key),
                  to,
                  why: 'To tell which change did it.',
                })),
              ).then((reply) => notifyReply(reply, 'Set: ride now'))
            }
          >
            Set it so
          </Button>
        )
      }
    >
      {apartText(apart, (keys) => settingNames(view, keys)).map((text) => (
        <span key={text} className="mt-2 block first:mt-0">
          {text}
        </span>
      ))}
      <span className="mt-2 block text-sm">
        {likely.map(({ key, share }) => `${settingNames(view, [key])} ${percent(share, 0)}`).join(', ')}
      </span>
    </NextStep>
  );
}

function Decide({
  view,
  pair,
  changed,
  names,
  between,
}: {
  view: BookView;
  pair: Pair;
  changed: string[];
  names: string;
  between: TrailChangeItem[];
}) {
  return (
    <>
      <NextStep
        title="Keep it"
        actions={
          <Button
            look="next"
            onClick={() =>
              void setMark(pair.b.id, 'A').then((reply) =>
                notifyReply(reply, 'Kept: this ride is the A of the next comparison'),
              )
            }
          >
            Keep
          </Button>
        }
      >
        {changed.length === 0
          ? 'Nothing was changed between A and B: what differs is spread.'
          : 'B becomes the A of the next comparison.'}
        {changed.length > 1 && (
          <span className="mt-2 block text-rust">
            Confounded: {names} changed between them. Ride after each to tell which did it.
          </span>
        )}
      </NextStep>
      {pair.apart && <Apart pair={pair} apart={pair.apart} view={view} />}
      {between.map((change) => (
        <NextStep
          key={change.id}
          title={`Or put back: ${change.what}`}
          actions={
            <Button
              onClick={() =>
                void putBack(change.id).then((reply) => notifyReply(reply, `Put back: ${change.what}`))
              }
            >
              Put back
            </Button>
          }
        >
          {change.why}
        </NextStep>
      ))}
    </>
  );
}

function NoPair({ view }: { view: BookView }) {
  const { lines, isMore, more } = useEarlierRides(view);
  const newest = view.rides.at(-1);
  const [a, b] = (['A', 'B'] as const).map((mark) => view.rides.find((ride) => ride.mark === mark));
  return (
    <StationPage
      finding={pairFinding(view, null).heading}
      subtitle={
        a && b
          ? `A on ${roadName(a.road, view.roads)}, B on ${roadName(b.road, view.roads)}: mark two of the same road.`
          : 'A is before, B is after one change.'
      }
      next={
        <NextStep
          title={
            <Link className="underline underline-offset-4" href="/ride">
              {newest ? 'Ride once more' : 'Ride three laps'}
            </Link>
          }
        >
          {newest
            ? 'Change one thing, then ride: the new ride becomes B by itself.'
            : 'The first ride becomes A by itself.'}
        </NextStep>
      }
    >
      {isMore && <Button onClick={more}>Earlier rides</Button>}
      <ul className="mt-2 max-w-2xl">
        {lines.map((ride) => (
          <li key={ride.id} className="flex items-center gap-4 border-b border-line py-3">
            <span className="w-6 font-bold">{ride.mark ?? ''}</span>
            <span className="grow">
              {moment(ride.atMs)}, {roadName(ride.road, view.roads)}
            </span>
            {(['A', 'B'] as const).map((mark) => (
              <Button
                key={mark}
                onClick={() => void setMark(ride.id, mark).then((reply) => notifyReply(reply))}
              >
                Make it {mark}
              </Button>
            ))}
          </li>
        ))}
      </ul>
      {view.rideCount === 0 && <p className="mt-4 text-lg">No ride lies on the trail yet.</p>}
    </StationPage>
  );
}

function PairPicture({ a, b }: { a: string; b: string }) {
  const [traceA, traceB] = [useRideTrace(a), useRideTrace(b)];
  if (traceA.value && traceB.value) {
    const [sideA, sideB] = [traceA.value.trace, traceB.value.trace];
    return sideA && sideB ? <PairChart a={sideA} b={sideB} /> : null;
  }
  return <ChartPlace className="h-72" of={traceA.fault === null ? traceB : traceA} />;
}

function PairChart({ a, b }: { a: RideTrace; b: RideTrace }) {
  const build = useCallback(
    (palette: Parameters<typeof verdictOption>[2]) => verdictOption(a, b, palette),
    [a, b],
  );
  return (
    <Chart
      className="h-72"
      build={build}
      label="Brake over distance, A and B"
      fileName="brake-a-b"
      table={{
        columns: ['distance m', 'A brake %', 'B brake %'],
        rows: a.brake.map((v, i) => [
          (i * a.stepM).toFixed(0),
          (100 * v).toFixed(1),
          (100 * (b.brake[i] ?? 0)).toFixed(1),
        ]),
      }}
    />
  );
}
