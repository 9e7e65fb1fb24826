'use client';

import Link from 'next/link';
import { useCallback } from 'react';
import { effectShown, type Comparison } from '@/core/experiment/compareRides';
import { Button } from '@/ui/Button';
import { Chart, ChartPlace } from '@/ui/Chart';
import { Term } from '@/ui/Term';
import type { BookView } from '@/book/model/bookView';
import { putBack } from '@/book/write/settings';
import { settingNames } from '@/book/judge/trail';
import { findingOf } from '@/book/judge/road/roadHealth';
import { roadName } from '@/book/judge/roadName';
import type { TrailChangeItem } from '@/book/model/trailView';
import { useEarlierRides } from '@/parts/useEarlierRides';
import { useRideTrace } from '@/parts/useRideTrace';
import { setMark } from '@/book/write/rides';
import type { RideTrace } from '@/book/model/rideTrace';
import { NextStep, StationPage } from '@/ui/StationPage';
import { Table, type TableColumn } from '@/ui/Table';
import { moment } from '@/words/format';
import { told } from '@/parts/told';
import type { Pair } from '@/book/model/pair';
import { verdictOption } from './verdictChart';
import {
  bareDifference,
  chanceText,
  isShown,
  measureDifference,
  measureValue,
  trustSentence,
} from '@/words/verdict';

/** Verdict: A against B over distance and in numbers, one sentence that says what changed, keep or put back. */
export function VerdictStation({ view, pair }: { view: BookView; pair: Pair | null }) {
  if (!pair) return <NoPair view={view} />;
  const { a, b, comparisons, between, sides } = pair;
  const { changed } = pair;
  return (
    <StationPage
      finding={findingOf(view, 'verdict').heading}
      subtitle={`A ${moment(a.atMs)}, B ${moment(b.atMs)}. ${trustSentence(comparisons, sides, changed.length > 0)}`}
      next={<Decide pair={pair} changed={changed} names={settingNames(view, changed)} between={between} />}
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

function Decide({
  pair,
  changed,
  names,
  between,
}: {
  pair: Pair;
  changed: string[];
  names: string;
  between: TrailChangeItem[];
}) {
  return (
    <>
      <NextStep
        number={1}
        title="Keep it"
        actions={
          <Button
            look="next"
            onClick={() =>
              void setMark(pair.b.id, 'A').then((reply) =>
                told(reply, 'Kept: this ride is the A of the next comparison'),
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
      {between.map((change, i) => (
        <NextStep
          key={change.id}
          number={i + 2}
          title={`Or put back: ${change.what}`}
          actions={
            <Button
              onClick={() => void putBack(change.id).then((reply) => told(reply, `Put back: ${change.what}`))}
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
      finding={findingOf(view, 'verdict').heading}
      subtitle={
        a && b
          ? `A on ${roadName(a.road, view.roads)}, B on ${roadName(b.road, view.roads)}: mark two of the same road.`
          : 'A is before, B is after one change.'
      }
      next={
        <NextStep
          number={1}
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
              <Button key={mark} onClick={() => void setMark(ride.id, mark).then((reply) => told(reply))}>
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

function ComparisonTable({ comparisons }: { comparisons: Comparison[] }) {
  return (
    <div className="mt-4">
      <Table
        label="A and B in numbers"
        rows={comparisons}
        columns={COMPARED}
        keyOf={(c) => c.name}
        fileName="a-and-b"
        isInOrder
        isDense
      />
    </div>
  );
}

const FIGURE = 'font-mono whitespace-nowrap';

const COMPARED: TableColumn<Comparison>[] = [
  { head: 'Measure', value: (c) => c.label, isRowHead: true, className: 'font-semibold' },
  { head: 'A', value: (c) => measureValue(c, c.meanA), className: FIGURE },
  { head: 'B', value: (c) => measureValue(c, c.meanB), className: FIGURE },
  {
    head: 'Difference',
    value: (c) => measureDifference(c, c.difference),
    view: (c) => (
      <span className={isShown(c) ? 'font-bold' : 'text-muted'}>{measureDifference(c, c.difference)}</span>
    ),
    className: FIGURE,
  },
  {
    head: '95 % interval',
    headView: (
      <Term
        word="95 % interval"
        meaning="Of the difference between B and A, with the session’s trend taken out and rides that differ a little by themselves (t distribution)."
      />
    ),
    value: (c) =>
      effectShown(c)
        .interval.map((end) => bareDifference(c, end))
        .join(' … '),
    className: FIGURE,
  },
  {
    head: 'p, Holm',
    headView: (
      <Term
        word="p, Holm"
        meaning="Chance of a difference this large if A and B were the same; adjusted for all measures shown. Under 0.05 it is claimed."
      />
    ),
    value: (c) => chanceText(c.pClaim),
    className: FIGURE,
  },
  {
    head: 'at most',
    headView: (
      <Term
        word="at most"
        meaning="If there is a difference, it is smaller than this (two one-sided tests, 5 %)."
      />
    ),
    value: (c) => bareDifference(c, effectShown(c).largestLeft).replace('+', ''),
    className: FIGURE,
  },
];
