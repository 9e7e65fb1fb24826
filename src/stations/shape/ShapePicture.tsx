'use client';

import { useCallback } from 'react';
import { respond } from '@/core/response/compose';
import type { ResponseLayer } from '@/core/response/layer';
import { Chart } from '@/ui/Chart';
import { LiveCanvas, type Draw } from '@/ui/LiveCanvas';
import { AXES } from '@/core/axes/axes';
import type { AxisTravel, AxisView } from '@/book/model/axisView';
import { latestRaw, useLiveRig } from '@/live/liveRig';
import { curvePoints, SHAPE_GRID, shapeOption } from './shapeChart';
import { pedalAnalysis, shareOf } from '@/book/judge/shape';

/** The curve that is tried, the kept one as its ghost, where the driver's rides lie on it, and the live axis as a dot. */
export function ShapePicture({
  axis,
  layers,
  travel,
  children,
}: {
  axis: AxisView;
  layers: ResponseLayer[];
  travel: AxisTravel;
  children?: React.ReactNode;
}) {
  const analysis = pedalAnalysis(axis);
  const build = useCallback(
    (palette: Parameters<typeof shapeOption>[3]) =>
      shapeOption(
        layers,
        axis.layers,
        {
          axis: axis.axis,
          cover: analysis?.coverTravel?.p995 ?? null,
          press: analysis?.pressMean ?? null,
          ...travel,
        },
        palette,
      ),
    [layers, axis, analysis, travel],
  );
  const points = curvePoints(layers);
  const ghostPoints = curvePoints(axis.layers);
  return (
    <div className="relative h-72 max-w-2xl">
      <Chart
        className="h-full"
        build={build}
        label={`${axis.name} response: travel against what the title sees`}
        fileName={`${axis.axis}-response`}
        table={{
          columns: ['travel %', 'tried %', 'kept %'],
          rows: points.map(([x, y], i) => [x.toFixed(1), y.toFixed(2), ghostPoints[i]![1].toFixed(2)]),
        }}
      />
      <LiveDot axis={axis} layers={layers} />
      {children}
    </div>
  );
}

/** The live axis as a dot on the curve, drawn over the chart. */
function LiveDot({ axis, layers }: { axis: AxisView; layers: ResponseLayer[] }) {
  const source = useLiveRig((live) => live.source);
  const draw = useCallback<Draw>(
    (context, width, height, colour) => {
      const raw = latestRaw[axis.axis];
      const range = source?.info.ranges[axis.axis];
      if (raw === undefined || !range) return;
      const x = shareOf(axis, raw, range);
      const y = respond(layers, x);
      const { left, right, top, bottom } = SHAPE_GRID;
      const px = left + x * (width - left - right);
      const py = height - bottom - y * (height - top - bottom);
      context.fillStyle = colour('ground');
      context.strokeStyle = colour(AXES[axis.axis].ink);
      context.lineWidth = 3;
      context.beginPath();
      context.arc(px, py, 7, 0, 2 * Math.PI);
      context.fill();
      context.stroke();
    },
    [source, axis, layers],
  );
  return (
    <div className="pointer-events-none absolute inset-0">
      <LiveCanvas
        draw={draw}
        label={`Live ${axis.name.toLowerCase()} on the curve`}
        className="h-full w-full"
      />
    </div>
  );
}
