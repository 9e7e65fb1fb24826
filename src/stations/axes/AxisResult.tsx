'use client';

import Link from 'next/link';
import { useCallback } from 'react';
import { AXIS_WORDS } from '@/core/axes/axes';
import type { AxisAnalysis } from '@/core/axes/analyseAxis';
import type { CapturePicture } from '@/core/axes/capturePicture';
import type { CaptureTrace } from '@/core/axes/captureTrace';
import { Chart, ChartPlace } from '@/ui/Chart';
import { useFetched } from '@/ui/useFetched';
import type { AxisView, CaptureView } from '@/book/model/axisView';
import type { BookView } from '@/book/model/bookView';
import { Recommendations } from '@/parts/Recommendations';
import { basisOf } from '@/book/judge/basis';
import { AskAgain } from '@/parts/AskAgain';
import { Facts, restOn } from '@/parts/Facts';
import { NextStep, StationPage } from '@/ui/StationPage';
import { degrees, moment } from '@/words/format';
import { AxisAdvice } from './AxisAdvice';
import { axisFacts } from './axisFacts';
import { AxisTabs } from './AxisTabs';
import { captureOption } from './captureChart';
import { CaptureProblems } from './CaptureProblems';
import { axisFinding, openOf } from '@/book/judge/road/axes';
import { sensorName } from '@/words/hardware';

/** What the newest capture of an axis says: picture, figures, notes; on the right what to do. */
export function AxisResult({
  view,
  axis,
  capture,
  measure,
}: {
  view: BookView;
  axis: AxisView;
  capture: CaptureView;
  measure: React.ReactNode;
}) {
  const { analysis } = capture;
  const recommendations = openOf(axis);
  const picture = useFetched<CapturePicture>(
    `/api/captures/picture?id=${encodeURIComponent(capture.id)}&at=${capture.madeAtMs}`,
  );
  return (
    <StationPage
      finding={axisFinding(axis).heading}
      subtitle={subtitle(view, axis, capture, picture.value?.lengthS ?? null)}
      next={
        <Recommendations
          view={view}
          axis={axis}
          after={(left) => (
            <>
              <AxisAdvice axis={axis} view={view} />
              <WhatThen left={left} isAnyLeft={recommendations.length > 0} view={view} />
              {measure}
              <AskAgain declined={view.declined} />
            </>
          )}
        />
      }
    >
      <AxisTabs view={view} axis={axis} shows="capture" />
      <CaptureProblems problems={axis.problems} />
      {picture.value ? (
        <CaptureChart axis={axis} analysis={analysis} trace={picture.value.trace} />
      ) : (
        <ChartPlace className="h-[22rem]" of={picture} />
      )}
      <Facts facts={restOn(basisOf(view).capture, axisFacts(analysis, axis.by))} />
      {analysis.warnings.length > 0 && (
        <ul className="mt-4 list-disc pl-5 text-[15px]" aria-label="Notes">
          {analysis.warnings.map((warning) => (
            <li key={warning}>{warning}</li>
          ))}
        </ul>
      )}
    </StationPage>
  );
}

function CaptureChart({
  axis: { name, effective },
  analysis,
  trace,
}: {
  axis: AxisView;
  analysis: AxisAnalysis;
  trace: CaptureTrace;
}) {
  const build = useCallback(
    (palette: Parameters<typeof captureOption>[3]) => captureOption(trace, analysis, effective, palette),
    [trace, analysis, effective],
  );
  const unit = analysis.axis === 'steering' ? 'degrees' : analysis.axis === 'gear' ? 'reading' : 'travel %';
  const shown = (value: number) =>
    analysis.axis === 'steering'
      ? degrees(value, 1)
      : analysis.axis === 'gear'
        ? value
        : (100 * value).toFixed(2);
  return (
    <Chart
      className="h-[22rem]"
      build={build}
      label={`${name} over the capture`}
      fileName={`${analysis.axis}-capture`}
      table={{
        columns: ['t s', unit],
        rows: trace.t.map((t, i) => [t.toFixed(3), shown(trace.value[i]!)]),
      }}
    />
  );
}

function subtitle(view: BookView, axis: AxisView, capture: CaptureView, lengthS: number | null): string {
  const { analysis } = capture;
  const rate =
    analysis.rateHz >= 995
      ? `${(analysis.rateHz / 1000).toFixed(0)} kHz`
      : `${analysis.rateHz.toFixed(0)} Hz`;
  const whose = capture.driver === view.combination.driver ? '' : ` by ${capture.driver}`;
  const long = lengthS === null ? '' : `, ${lengthS.toFixed(0)} s`;
  const inverted = analysis.inverted && analysis.axis !== 'steering' ? ', reads inverted' : '';
  return `${sensorName(view.rig.spec, axis.axis)}, captured ${moment(capture.madeAtMs)}${whose}${long}, ${rate}${inverted}`;
}

/** Where to go from here: the next axis, the check, or the road. */
function WhatThen({ left, isAnyLeft, view }: { left: number; isAnyLeft: boolean; view: BookView }) {
  const link = (href: string, text: string) => (
    <Link className="underline underline-offset-4" href={href}>
      {text}
    </Link>
  );
  const missing = view.axes.find((axis) => !axis.capture);
  if (left > 1)
    return (
      <NextStep title="Then ride three laps">
        Two changes make a ride hard to judge: {link('/ride', 'ride')} after each, or accept that it is one
        pair.
      </NextStep>
    );
  if (left === 1) return <NextStep title={link('/ride', 'Ride three laps before or after')} />;
  if (missing)
    return (
      <NextStep title={link(`/axes/${missing.axis}`, `Then the ${AXIS_WORDS[missing.axis]}`)}>
        {isAnyLeft ? 'The rest is waved away for now.' : 'Nothing is left to do here.'}
      </NextStep>
    );
  return (
    <NextStep title={link('/axes/check', 'Prove it')}>
      Every axis shows 0 and 100 % once, and the axes are signed as settled.
    </NextStep>
  );
}
