'use client';

import Link from 'next/link';
import { useCallback, useState } from 'react';
import type { RideProgress } from '@/core/vehicle/simulateRide';
import { ProgressBar } from '@/ui/ProgressBar';
import { Button } from '@/ui/Button';
import { Chart, ChartPlace } from '@/ui/Chart';
import { findingOf } from '@/book/judge/road/roadHealth';
import { roadMap } from '@/book/judge/roadMap';
import { useRideTrace } from '@/parts/useRideTrace';
import { useKeys } from '@/ui/useKeys';
import type { BookView } from '@/book/model/bookView';
import { LinkButton } from '@/ui/LinkButton';
import { NextStep, StationPage } from '@/ui/StationPage';
import { markedRides } from '@/book/judge/markedRides';
import { ImportActions, ImportStep, ImportTable } from './ImportLog';
import { rideOption } from './rideChart';
import { LastRide, RideForceFacts, RideTable } from './RideFigures';
import type { RecentChange } from '@/book/model/experimentView';
import type { RideTrace } from '@/book/model/rideTrace';
import { DriveHere } from './DriveHere';
import { RoadChoice } from './RoadChoice';
import { RoadLine } from '@/parts/RoadLine';
import { SpeedUnitChoice } from '@/parts/SpeedUnitChoice';
import { inUnit, speedWord, type SpeedUnit } from '@/core/text/speedUnit';
import { EveningOfLogs } from './EveningOfLogs';
import { useEvening } from './useEvening';
import { useImport } from './useImport';
import { useSimulatedRide } from '@/parts/useSimulatedRide';
import { trackOf } from '@/book/judge/trackOf';

const LAP_CHOICES = [3, 5, 10];

/** Ride: the simulated driver through exactly this pedal, and what its laps say. */
export function RideStation({ view, recent }: { view: BookView; recent: readonly RecentChange[] }) {
  const map = roadMap(trackOf(view));
  const [laps, setLaps] = useState(LAP_CHOICES[0]!);
  const { progress, start, cancel } = useSimulatedRide(view);
  const log = useImport(view);
  const evening = useEvening(view);
  const several = (files: File[]) => void evening.open(files);
  const last = view.newestRide;
  const trace = useRideTrace(last?.id);
  // What stands here was driven on its own road, whichever is chosen for the next ride.
  const lastId = last?.road.kind === 'described' ? last.road.id : null;
  const shown = view.roads.find(({ id }) => id === lastId) ?? map;
  const isElsewhere = last !== null && lastId !== view.trackId;
  const { pair } = markedRides(view.rides);
  const canRide = view.axes.some((axis) => axis.axis === 'brake' && axis.capture !== null);
  const isChanged =
    last !== null &&
    Object.keys({ ...last.settings, ...view.settings }).some((k) => last.settings[k] !== view.settings[k]);
  const again = isChanged ? 'Ride with the change' : 'Ride again';
  useKeys({
    ' ': (event) => {
      event.preventDefault();
      if (!progress) start(laps);
    },
    Escape: cancel,
  });
  if (evening.logs.length > 0 || evening.progress) return <EveningOfLogs evening={evening} />;
  if (log.importing)
    return (
      <StationPage
        finding={`${log.importing.name}: ${log.importing.preview.rows.toLocaleString('en')} rows`}
        subtitle={`As found: ${log.importing.preview.found}.`}
        next={
          <>
            <ImportActions log={log} importing={log.importing} />
            <ImportStep log={log} onSeveral={several} />
          </>
        }
      >
        <ImportTable onChoose={log.choose} importing={log.importing} />
      </StationPage>
    );
  return (
    <StationPage
      finding={findingOf(view, 'ride').heading}
      subtitle={
        last?.importedFrom
          ? `${last.importedFrom}, taken in for the ${view.names.car}`
          : `${shown.name}, ${(shown.lengthM / 1000).toFixed(1)} km, ${view.names.car}, ${last?.isDriven ? `driven here by ${view.names.driver}` : `simulated driver with ${view.names.driver}’s foot`}`
      }
      next={
        <>
          <NextStep
            title={isElsewhere ? `Ride on ${map.name}` : last ? again : 'Ride before changing anything'}
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
            <RoadChoice roads={view.roads} chosen={view.trackId} isRiding={progress !== null} />
          </NextStep>
          <DriveHere view={view} recent={recent} laps={laps} />
          {pair && (
            <NextStep
              title={
                <Link className="underline underline-offset-4" href="/verdict?pair=1">
                  Compare A and B
                </Link>
              }
            >
              {view.rideCount} rides lie on the trail.
            </NextStep>
          )}
          <ImportStep log={log} onSeveral={several} />
          {last?.importedFrom && last.road.kind === 'own' && (
            <NextStep
              title="The road of that log"
              actions={
                <LinkButton href={`/translate/describe?of=road&ride=${last.id}`}>
                  Make it a road of yours
                </LinkButton>
              }
            >
              Its shape is read from the log: then Lock knows its tightest corner, and the simulated driver
              can ride there.
            </NextStep>
          )}
        </>
      }
    >
      {progress && <Progress progress={progress} />}
      {last && trace.value?.trace !== null ? (
        <>
          {trace.value ? (
            <RideChart trace={trace.value.trace} unit={view.speedUnit} />
          ) : (
            <ChartPlace className="h-96" of={trace} />
          )}
          <p className="text-sm text-muted" aria-hidden="true">
            Median of the counted laps: <span className="font-bold text-brake">brake ━━</span>,{' '}
            <span className="font-bold text-throttle">throttle ━ · ━</span>
          </p>
          <SpeedUnitChoice unit={view.speedUnit} />
        </>
      ) : (
        <RoadLine map={map} className="h-80 w-full max-w-2xl text-muted" />
      )}
      {last && <LastRide view={view} ride={last} />}
      {last?.clipping && <RideForceFacts view={view} ride={last} clipping={last.clipping} />}
      {view.rideCount > 0 && <RideTable view={view} />}
    </StationPage>
  );
}

function Progress({ progress: { lap, share } }: { progress: RideProgress }) {
  return (
    <div className="mb-4">
      <ProgressBar share={share} label="Simulating the ride">
        {lap === 0 ? 'Out-lap' : `Lap ${lap}`}, simulating…
      </ProgressBar>
    </div>
  );
}

function RideChart({ trace, unit }: { trace: RideTrace; unit: SpeedUnit }) {
  const build = useCallback(
    (palette: Parameters<typeof rideOption>[1]) => rideOption(trace, palette, unit),
    [trace, unit],
  );
  return (
    <Chart
      className="h-96"
      build={build}
      label="Speed, throttle and brake over the median lap of the newest ride"
      fileName="ride"
      table={{
        columns: ['distance m', `speed ${speedWord(unit)}`, 'throttle %', 'brake %'],
        rows: trace.speed.map((v, i) => [
          (i * trace.stepM).toFixed(0),
          inUnit(v, unit).toFixed(1),
          (100 * trace.throttle[i]!).toFixed(1),
          (100 * trace.brake[i]!).toFixed(1),
        ]),
      }}
    />
  );
}
