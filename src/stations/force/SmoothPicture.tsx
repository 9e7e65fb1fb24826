'use client';

import { useCallback } from 'react';
import { WEAVE_MPS } from '@/core/force/onCentre';
import { speedText, type SpeedUnit } from '@/core/text/speedUnit';
import { Chart } from '@/ui/Chart';
import type { ChartPalette } from '@/ui/chartTheme';
import { bandsOption, frontierOption, weaveOption } from './smoothChart';
import type { ForceState } from './useForce';

/** What the base makes of the signal: detail against roughness, band by band, and through a gentle weave. */
export function SmoothPicture({ force, unit }: { force: ForceState; unit: SpeedUnit }) {
  const { smooth: report, keptSmooth } = force;
  const ghost = keptSmooth && keptSmooth !== report ? keptSmooth.smooth : null;
  const ahead = useCallback(
    (palette: ChartPalette) => frontierOption(report?.points ?? [], report!.smooth, ghost, palette),
    [report, ghost],
  );
  const bands = useCallback(
    (palette: ChartPalette) => bandsOption(report!.smooth, ghost, palette),
    [report, ghost],
  );
  const weave = useCallback((palette: ChartPalette) => weaveOption(report!.centre, palette), [report]);
  if (!report) return <p className="flex h-64 items-center text-muted">Sending the lap through the base…</p>;
  const { smooth, points, centre } = report;
  return (
    <div className="grid max-w-4xl gap-4 xl:grid-cols-3">
      <div className="h-64">
        <Chart
          className="h-full"
          build={ahead}
          label="Detail kept against roughness, for every smoothing that the base offers"
          fileName="detail-roughness"
          table={{
            columns: ['smoothing', 'interpolation', 'detail %', 'roughness'],
            rows: points.map((point) => [
              point.smoothing ?? '',
              point.interpolation ?? '',
              (100 * point.detail).toFixed(1),
              point.roughness.toFixed(2),
            ]),
          }}
        />
      </div>
      <div className="h-64">
        <Chart
          className="h-full"
          build={bands}
          label="What of each band of the title’s signal reaches the rim"
          fileName="detail-bands"
          table={{
            columns: ['from Hz', 'to Hz', 'kept %', 'added N·m'],
            rows: smooth.bands.map(({ fromHz, toHz, kept, addedNm }) => [
              fromHz,
              toHz,
              kept === null ? 'too slow a title' : (100 * kept).toFixed(1),
              addedNm.toFixed(3),
            ]),
          }}
        />
      </div>
      <div className="h-64">
        <Chart
          className="h-full"
          build={weave}
          label={`Torque in the hands through a gentle weave at ${speedText(WEAVE_MPS, unit)}`}
          fileName="on-centre"
          table={{
            columns: ['g', 'hands °', 'torque N·m'],
            rows: centre.loop.map(({ g, handDeg, torqueNm }) => [
              g.toFixed(3),
              handDeg.toFixed(2),
              torqueNm.toFixed(3),
            ]),
          }}
        />
      </div>
    </div>
  );
}
