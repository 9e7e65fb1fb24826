'use client';

import { useCallback, useState } from 'react';
import { LEAST_FOR_TREND, NOISE_REACH_SIGMAS, type AxisHistory } from '@/core/axes/axisHistory';
import { AXIS_WORDS } from '@/core/axes/axes';
import { roughAdvice, roughPlace } from '@/core/axes/roughAdvice';
import { Button } from '@/ui/Button';
import { Chart } from '@/ui/Chart';
import type { AxisPast, AxisView } from '@/book/model/axisView';
import { useFetched } from '@/ui/useFetched';
import type { AxisAnalysis } from '@/core/axes/analyseAxis';
import type { BookView } from '@/book/model/bookView';
import { NextStep, StationPage } from '@/ui/StationPage';
import { date, moment } from '@/words/format';
import { percent } from '@/core/text/percent';
import { notifyReply } from '@/parts/notifyReply';
import { removeCapture } from '@/book/write/captures';
import { AxisTabs } from './AxisTabs';
import { CompareCaptures } from './CompareCaptures';
import { historyOption } from './historyChart';

interface Props {
  view: BookView;
  axis: AxisView;
  past: AxisPast;
}

/** An axis over its captures: noise, ends, rough spots, their trends, and the date on which noise outgrows the dead zone. */
export function HistoryView({ view, axis, past: { history, captures } }: Props) {
  const { effective } = axis;
  const [with_, setWith] = useState(captures[0]?.id ?? '');
  const other = captures.find((capture) => capture.id === with_);
  const then = useFetched<AxisAnalysis>(
    other ? `/api/captures/analysis?id=${encodeURIComponent(other.id)}&at=${other.atMs}` : null,
  );
  const build = useCallback(
    (palette: Parameters<typeof historyOption>[3]) =>
      historyOption(history, axis.axis, effective.deadzone, palette),
    [history, axis.axis, effective.deadzone],
  );
  return (
    <StationPage
      finding={historyFinding(axis, history)}
      subtitle={`${captures.length} captures since ${date(captures[0]?.atMs ?? 0)}, by every driver of this rig`}
      next={
        <>
          <NextStep title={adviceTitle(history)}>{adviceText(axis, history)}</NextStep>
          <NextStep title="Against an earlier one">
            <label className="grid gap-1">
              <span className="sr-only">Earlier capture</span>
              <select
                className="h-11 w-full rounded-lg border border-line bg-raised px-2 text-ink"
                value={with_}
                onChange={(event) => setWith(event.target.value)}
              >
                {captures.map((capture) => (
                  <option key={capture.id} value={capture.id}>
                    {moment(capture.atMs)}, {capture.driver}
                  </option>
                ))}
              </select>
            </label>
            {other && axis.capture && (
              <div className="mt-2">
                {then.value && (
                  <CompareCaptures
                    a={{ name: 'Then', analysis: then.value }}
                    b={{ name: 'Newest', analysis: axis.capture.analysis }}
                  />
                )}
                {then.fault !== null && <p className="text-rust">{then.fault}</p>}
                <div className="mt-2 flex flex-wrap gap-2">
                  <a
                    className="inline-flex min-h-11 items-center px-2 font-semibold text-muted underline-offset-4 hover:underline"
                    href={`/api/captures/file?id=${other.id}`}
                  >
                    CSV
                  </a>
                  <Button
                    look="quiet"
                    onClick={() =>
                      void removeCapture(other.id).then((reply) => notifyReply(reply, 'Out of the history'))
                    }
                  >
                    Take it out
                  </Button>
                </div>
              </div>
            )}
          </NextStep>
        </>
      }
    >
      <AxisTabs view={view} axis={axis} shows="history" />
      {history.points.length > 0 ? (
        <Chart
          className="h-[26rem]"
          build={build}
          label={`${axis.name} over its captures: reach of the noise, and the full end`}
          fileName={`${axis.axis}-history`}
          table={{
            columns: ['date', 'noise 3σ %', 'released end %', 'full end %', 'rough spots'],
            rows: history.points.map((p) => [
              date(p.atMs),
              (100 * NOISE_REACH_SIGMAS * p.noise).toFixed(2),
              (100 * p.low).toFixed(2),
              (100 * p.high).toFixed(2),
              p.roughSpots.length,
            ]),
          }}
        />
      ) : (
        <p className="mt-4 text-lg">A lever has no noise to follow: its captures are listed on the right.</p>
      )}
    </StationPage>
  );
}

const lost = ({ points }: AxisHistory) => {
  const last = points.at(-1);
  return last ? Math.max(0, 1 - last.high) : 0;
};
/** Less than this share of the end is no loss worth a word. */
const LOSS_COUNTS = 0.01;

function historyFinding({ axis, effective }: AxisView, history: AxisHistory): string {
  const name = AXIS_WORDS[axis];
  const gone =
    history.high && lost(history) > LOSS_COUNTS
      ? `; its last ${percent(lost(history))} of travel are gone`
      : '';
  if (history.outgrows && effective.deadzone > 0) {
    const isPast = history.outgrows.atMs <= (history.points.at(-1)?.atMs ?? 0);
    return isPast
      ? `The ${name}’s noise has outgrown its dead zone${gone}`
      : `The ${name}’s noise outgrows its dead zone around ${date(history.outgrows.atMs)}${gone}`;
  }
  if (history.noise) return `The ${name} is getting noisier${gone}`;
  if (gone) return `The ${name} keeps its noise${gone}`;
  return history.points.length < LEAST_FOR_TREND
    ? `${history.points.length} captures: a trend needs ${LEAST_FOR_TREND}`
    : `The ${name} shows no trend`;
}

function adviceTitle({ outgrows, noise, points }: AxisHistory): string {
  if (points.at(-1)?.roughSpots.length) return 'The track is worn';
  if (outgrows) return 'What the forecast rests on';
  if (noise) return 'Watch it';
  return points.length < LEAST_FOR_TREND ? 'Capture it again in some weeks' : 'Nothing to do';
}

function adviceText({ axis, effective }: AxisView, history: AxisHistory): string {
  const { noise, outgrows, points } = history;
  const spot = points.at(-1)?.roughSpots[0];
  const worn = spot ? `Rough ${roughPlace(spot, axis)}. ${roughAdvice(spot, axis)} ` : '';
  // Fewer captures than a trend needs say nothing of it, not that there is none.
  if (!noise)
    return points.length < LEAST_FOR_TREND
      ? `${worn}${points.length} of the ${LEAST_FOR_TREND} captures that a trend needs: nothing can be said of it yet.`
      : `${worn}Noise and ends stay within their spread.`;
  const growth = `The noise (3σ) grows by ${percent(NOISE_REACH_SIGMAS * 30 * noise.perDay, 2)} of travel a month (95 %: ${percent(NOISE_REACH_SIGMAS * 30 * noise.interval[0], 2)} to ${percent(NOISE_REACH_SIGMAS * 30 * noise.interval[1], 2)}).`;
  if (!outgrows || effective.deadzone === 0)
    return `${worn}${growth} ${effective.deadzone === 0 ? 'No dead zone is in use that it could outgrow.' : 'It stays inside the dead zone in use.'}`;
  const latest = outgrows.latestMs === null ? 'or never' : `and ${date(outgrows.latestMs)}`;
  return `${worn}${growth} With these slopes it passes the dead zone of ${percent(effective.deadzone, 1)} between ${date(outgrows.earliestMs)} ${latest}.`;
}
