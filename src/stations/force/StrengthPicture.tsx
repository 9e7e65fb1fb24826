'use client';

import { useCallback, useId } from 'react';
import type { SignalJudgement } from '@/core/force/judgeForce';
import type { LoggedRide } from '@/core/force/forceReport';
import { Chart } from '@/ui/Chart';
import type { ChartPalette } from '@/ui/chartTheme';
import type { BookView } from '@/book/model/bookView';
import type { RideLine } from '@/book/model/rideView';
import { reasonOf } from '@/core/problem';
import type { SettingValues } from '@/core/settings/setting';
import { notify } from '@/ui/notices';
import { fetchJson } from '@/ui/useFetched';
import type { RoadMap } from '@/book/model/rideTrace';
import { moment } from '@/words/format';
import { fileOf } from './carLogs';
import { ClipMap } from './ClipMap';
import { CLIP_MARKS, forceOption, sortedOption } from './forceChart';

interface Props {
  view: BookView;
  /** Where it was driven; `null` for a log that does not say. */
  road: RoadMap | null;
  /** What is shown of the ride that is chosen, and as it was kept. */
  judgement: SignalJudgement;
  ghost: SignalJudgement | null;
  isMap: boolean;
  onMap(isMap: boolean): void;
}

/** The force over one lap or on the map, and sorted from its highest. */
export function StrengthPicture({ view, road, judgement, ghost, isMap, onMap }: Props) {
  const lap = useCallback(
    (palette: ChartPalette) => forceOption(judgement, ghost, palette),
    [judgement, ghost],
  );
  const sorted = useCallback(
    (palette: ChartPalette) => sortedOption(judgement, ghost, palette),
    [judgement, ghost],
  );
  return (
    <div className="grid max-w-4xl gap-4 xl:grid-cols-[3fr_2fr]">
      <div className="h-64">
        <div role="group" aria-label="The lap" className="flex h-8 gap-3 text-sm">
          {[
            ['over distance', false] as const,
            // A log is drawn where its own places lie, and on no other road.
            ...(road ? [['on the map', true] as const] : []),
          ].map(([name, one]) => (
            <button
              key={name}
              type="button"
              aria-pressed={one === isMap}
              onClick={() => onMap(one)}
              className={`min-h-8 cursor-pointer underline-offset-4 ${one === isMap ? 'font-bold underline' : 'text-muted hover:text-ink'}`}
            >
              {name}
            </button>
          ))}
        </div>
        {isMap && road ? (
          <ClipMap trace={judgement.trace} road={road} />
        ) : (
          <Chart
            className="h-56"
            build={lap}
            label={`Force of the ${view.names.car} over a lap, in percent of full scale`}
            fileName="force-over-distance"
            table={lapTable(judgement)}
          />
        )}
      </div>
      <div className="h-64">
        <Chart
          className="h-full"
          build={sorted}
          label="The force sorted: how much of the time it lies above what"
          fileName="force-sorted"
          table={{
            columns: ['of the time %', 'force above %'],
            rows: judgement.sorted.map(({ share, level }) => [
              (100 * share).toFixed(3),
              (100 * level).toFixed(1),
            ]),
          }}
        />
      </div>
    </div>
  );
}

function lapTable({ trace }: SignalJudgement) {
  return {
    columns: ['distance m', 'force %', 'clipped'],
    rows: trace.level.map((level, i) => {
      const kind = trace.kind[i];
      return [(i * trace.stepM).toFixed(0), (100 * level).toFixed(1), kind ? CLIP_MARKS[kind].words : ''];
    }),
  };
}

/** Which ride the clipping is told of: the simulated one, or one that lies in the book with its force. */
export function RideChoice({
  view,
  chosen,
  onChoose,
}: {
  view: BookView;
  chosen: LoggedRide | null;
  onChoose(ride: LoggedRide | null): void;
}) {
  const id = useId();
  const rides = view.rides.filter(({ hasForce }) => hasForce).toReversed();
  const choose = async (ride: RideLine) => {
    const at = `/api/rides/settings?id=${encodeURIComponent(ride.id)}`;
    const settings = await fetchJson<SettingValues>(at);
    onChoose({ id: ride.id, isSimulated: ride.importedFrom === null, settings, url: fileOf(ride.id) });
  };
  if (rides.length === 0) return null;
  return (
    <p className="mb-2 flex flex-wrap items-center gap-2 text-[15px]">
      <label htmlFor={id} className="text-muted">
        Clipping of
      </label>
      <select
        id={id}
        value={chosen?.id ?? ''}
        onChange={(event) => {
          const ride = rides.find((one) => one.id === event.target.value);
          if (!ride) return onChoose(null);
          choose(ride).catch((error: unknown) => notify(reasonOf(error), 'fault'));
        }}
        className="h-11 max-w-full rounded-lg border border-line bg-raised px-3"
      >
        <option value="">a ride that is simulated now</option>
        {rides.map((ride) => (
          <option key={ride.id} value={ride.id}>
            {ride.importedFrom ?? 'the simulated ride'}, {moment(ride.atMs)}
          </option>
        ))}
      </select>
    </p>
  );
}
