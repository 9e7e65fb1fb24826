'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useId, useRef, useState } from 'react';
import { chainOf } from '@/core/force/chainOf';
import { describeProblem, type Problem } from '@/core/problem';
import type { RideProgress } from '@/core/vehicle/simulateRide';
import { Button } from '@/ui/Button';
import { Chart } from '@/ui/Chart';
import { notify } from '@/ui/notices';
import { useKeys } from '@/ui/useKeys';
import { sendColumns } from '@/workers/sendColumns';
import { RideCancelled, startRide } from '@/workers/startRide';
import type { BookView, RideView } from '../bookView';
import { forceFactsOf } from '../force/forceFacts';
import { settingNames } from '../frame/trailItems';
import { Facts, NextStep, StationPage } from '../StationPage';
import { lapTime, moment, percent, told } from '../words';
import { ImportActions, ImportStep, ImportTable } from './ImportLog';
import { RoadLine } from './RoadLine';
import { takeRoad } from './actions';
import { markedRides } from '../verdict/markedRides';
import { useImport } from './useImport';
import { rideOption } from './rideChart';
import { ridePlan } from './ridePlan';
import type { RideTrace, RoadMap } from './rideTrace';

const LAP_CHOICES = [3, 5, 10];

interface Props {
  view: BookView;
  trace: RideTrace | null;
  /** Roads of the title. */
  roads: ({ id: string } & RoadMap)[];
}

/** Ride: the simulated driver through exactly this pedal, and what its laps say. */
export function RideStation({ view, trace, roads }: Props) {
  const map = roads.find(({ id }) => id === view.trackId)!;
  const [laps, setLaps] = useState(LAP_CHOICES[0]!);
  const { progress, start, cancel } = useRide(view);
  const log = useImport(view);
  const last = view.rides.at(-1);
  // What stands here was driven on its own road, whichever is chosen for the next ride.
  const shown = roads.find(({ id }) => id === last?.trackId) ?? map;
  const isElsewhere = last !== undefined && last.trackId !== view.trackId;
  const { pair } = markedRides(view.rides);
  const canRide = view.axes.some((axis) => axis.axis === 'brake' && axis.capture !== null);
  const isChanged =
    last !== undefined &&
    Object.keys({ ...last.settings, ...view.settings }).some((k) => last.settings[k] !== view.settings[k]);
  useKeys({
    ' ': (event) => {
      event.preventDefault();
      if (!progress) start(laps);
    },
    Escape: cancel,
  });
  if (log.importing)
    return (
      <StationPage
        finding={`${log.importing.name}: ${log.importing.preview.rows.toLocaleString('en')} rows`}
        subtitle={`As found: ${log.importing.preview.found}.`}
        next={
          <>
            <ImportActions log={log} importing={log.importing} />
            <ImportStep number={2} log={log} />
          </>
        }
      >
        <ImportTable log={log} importing={log.importing} />
      </StationPage>
    );
  return (
    <StationPage
      finding={finding(view, last, isChanged)}
      subtitle={
        last?.importedFrom
          ? `${last.importedFrom}, taken in for the ${view.names.car}`
          : `${shown.name}, ${(shown.lengthM / 1000).toFixed(1)} km, ${view.names.car}, simulated driver with ${view.names.driver}'s foot`
      }
      next={
        <>
          <NextStep
            number={1}
            title={
              isElsewhere
                ? `Ride on ${map.name}`
                : last
                  ? isChanged
                    ? 'Ride with the change'
                    : 'Ride again'
                  : 'Ride before changing anything'
            }
            actions={
              progress ? (
                <Button onClick={cancel}>Cancel</Button>
              ) : (
                <Button look="next" disabled={!canRide} onClick={() => start(laps)}>
                  Ride {laps} laps
                </Button>
              )
            }
          >
            {canRide
              ? `Through the brake as measured, its calibration and the settings in force.${map.closed ? ' An out-lap comes before; it does not count.' : ''}`
              : 'Measure the brake first: the ride goes through its calibration.'}
            <span className="mt-2 flex gap-2" role="group" aria-label="Counted laps">
              {LAP_CHOICES.map((n) => (
                <button
                  key={n}
                  type="button"
                  aria-pressed={laps === n}
                  onClick={() => setLaps(n)}
                  className={`min-h-11 min-w-11 cursor-pointer rounded-lg border px-3 ${laps === n ? 'border-ink bg-raised font-semibold text-ink' : 'border-line'}`}
                >
                  {n}
                </button>
              ))}
            </span>
            <Roads roads={roads} chosen={view.trackId} isRiding={progress !== null} />
          </NextStep>
          {pair && (
            <NextStep
              number={2}
              title={
                <Link className="underline underline-offset-4" href="/verdict">
                  Compare A and B
                </Link>
              }
            >
              {view.rides.length} rides lie on the trail.
            </NextStep>
          )}
          <ImportStep number={pair ? 3 : 2} log={log} />
        </>
      }
    >
      {progress && <Progress progress={progress} />}
      {trace ? (
        <>
          <RideChart trace={trace} />
          <p className="text-sm text-muted" aria-hidden="true">
            Median of the counted laps: <span className="font-bold text-brake">brake ━━</span>,{' '}
            <span className="font-bold text-throttle">throttle ━ · ━</span>
          </p>
        </>
      ) : (
        <RoadLine map={map} className="h-80 w-full max-w-2xl text-muted" />
      )}
      {last && <LastRide ride={last} />}
      {last?.clipping && <RideForceFacts clipping={last.clipping} />}
      {view.rides.length > 0 && <RideTable view={view} />}
    </StationPage>
  );
}

/** Where it is driven; rides of different roads cannot be compared. */
function Roads({ roads, chosen, isRiding }: { roads: Props['roads']; chosen: string; isRiding: boolean }) {
  const id = useId();
  if (roads.length < 2) return null;
  return (
    <span className="mt-3 block">
      <label htmlFor={id}>On the road</label>
      <select
        id={id}
        value={chosen}
        disabled={isRiding}
        onChange={(event) => void takeRoad(event.target.value).then((reply) => told(reply))}
        className="mt-1 h-11 w-full rounded-lg border border-line bg-raised px-3 text-[15px] text-ink"
      >
        {roads.map((road) => (
          <option key={road.id} value={road.id}>
            {road.name}, {(road.lengthM / 1000).toFixed(1)} km
          </option>
        ))}
      </select>
    </span>
  );
}

function useRide(view: BookView) {
  const router = useRouter();
  const [progress, setProgress] = useState<RideProgress | null>(null);
  const running = useRef<ReturnType<typeof startRide> | null>(null);
  useEffect(() => () => running.current?.cancel(), []);
  const start = (laps: number) => {
    const seed = view.rides.length + 101;
    const plan = ridePlan(view, laps, seed);
    if (!plan) return;
    setProgress({ lap: 0, share: 0 });
    const ride = startRide(plan, chainOf(forceFactsOf(view)), setProgress);
    running.current = ride;
    ride.done
      .then(async (log) => {
        const head = { trackId: plan.track.id, seed, settings: view.settings, notes: log.notes };
        const columns = log.columns as Record<string, Float64Array>;
        const answer = await sendColumns('/api/rides', { head, columns });
        const reply = answer.reply as { ok: boolean; problems?: Problem[] };
        if (!reply.ok) throw new Error((reply.problems ?? []).map(describeProblem).join(' '));
        router.refresh();
      })
      .catch((error: unknown) => {
        if (error instanceof RideCancelled) notify('The ride was cancelled; nothing was kept of it.');
        else
          notify(`The ride was not kept: ${error instanceof Error ? error.message : String(error)}`, 'fault');
      })
      .finally(() => {
        running.current = null;
        setProgress(null);
      });
  };
  return { progress, start, cancel: () => running.current?.cancel() };
}

function Progress({ progress }: { progress: RideProgress }) {
  const share = Math.round(100 * progress.share);
  return (
    <div
      className="mb-4"
      role="progressbar"
      aria-valuenow={share}
      aria-valuemin={0}
      aria-valuemax={100}
      aria-label="Simulating the ride"
    >
      <p className="mb-1">{progress.lap === 0 ? 'Out-lap' : `Lap ${progress.lap}`}, simulating…</p>
      <div className="h-2 rounded bg-line">
        <div className="h-2 rounded bg-lichen" style={{ width: `${share}%` }} />
      </div>
    </div>
  );
}

function finding(view: BookView, last: RideView | undefined, isChanged: boolean): string {
  if (!last) return 'No laps yet on this combination';
  const { brakeDrag, brakePeak, brakeReach } = last.measures.summary;
  if (!isChanged && brakePeak === null) return 'The newest ride says nothing of the brake';
  if (isChanged) return 'Something changed since the last ride';
  const drag =
    brakeDrag !== null && brakeDrag > 0.005
      ? `The brake drags on ${percent(brakeDrag)} of the full throttle`
      : 'The brake rests on the straights';
  const peak =
    brakeReach !== null && brakeReach > 0.5 ? 'and reaches 100 %' : `and peaks at ${percent(brakePeak ?? 0)}`;
  return `${drag} ${peak}`;
}

function RideChart({ trace }: { trace: RideTrace }) {
  const build = useCallback(
    (palette: Parameters<typeof rideOption>[1]) => rideOption(trace, palette),
    [trace],
  );
  return (
    <Chart
      className="h-96"
      build={build}
      label="Speed, throttle and brake over the median lap of the newest ride"
      fileName="ride"
      table={{
        columns: ['distance m', 'speed km/h', 'throttle %', 'brake %'],
        rows: trace.speed.map((v, i) => [
          (i * trace.stepM).toFixed(0),
          v.toFixed(1),
          (100 * trace.throttle[i]!).toFixed(1),
          (100 * trace.brake[i]!).toFixed(1),
        ]),
      }}
    />
  );
}

function LastRide({ ride }: { ride: RideView }) {
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
function RideForceFacts({ clipping }: { clipping: NonNullable<RideView['clipping']> }) {
  const { clipShare, sustainedShare, headroomDb, gainKeepEveryPeak, gainTradeBiggestHits } = clipping;
  const factor = (value: number | null) => (value === null ? '–' : `× ${value.toFixed(2)}`);
  return (
    <section aria-label="Force of the newest ride">
      <Facts
        facts={[
          { value: percent(clipShare, 1), meaning: 'of the time the force was clipped' },
          { value: percent(sustainedShare, 1), meaning: 'held at the limit' },
          { value: headroomDb === null ? '–' : `${headroomDb.toFixed(1)} dB`, meaning: 'of headroom' },
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

function RideTable({ view }: { view: BookView }) {
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
