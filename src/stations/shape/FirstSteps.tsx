'use client';

import { useCallback } from 'react';
import { firstSteps } from '@/core/response/firstSteps';
import type { ResponseLayer } from '@/core/response/layer';
import { Chart } from '@/ui/Chart';
import type { ChartPalette } from '@/ui/chartTheme';
import type { AxisView } from '@/book/model/axisView';
import type { BookView } from '@/book/model/bookView';
import { sensorSteps } from '@/book/judge/shape';
import { stepsOption } from './stepsChart';

const SHOWN = 24;

/** What the sensor's smallest movements give where the response begins; nothing where it is not measured. */
export function FirstSteps({
  view,
  axis,
  layers,
}: {
  view: BookView;
  axis: AxisView;
  layers: ResponseLayer[];
}) {
  const levels = sensorSteps(axis);
  const fullAtDeg = axis.axis === 'steering' ? view.rotation.baseDeg / 2 : null;
  const build = useCallback(
    (palette: ChartPalette) =>
      stepsOption(
        {
          axis: axis.axis,
          steps: firstSteps(layers, levels!, SHOWN),
          kept: firstSteps(axis.layers, levels!, SHOWN),
          fullAtDeg,
        },
        palette,
      ),
    [axis, layers, levels, fullAtDeg],
  );
  if (!levels) return null;
  const steps = firstSteps(layers, levels, SHOWN);
  const jump = Math.max(...steps.slice(1).map((step, i) => step.out - steps[i]!.out));
  return (
    <section aria-labelledby="first-steps" className="mt-6 max-w-2xl">
      <h3 id="first-steps" className="font-bold">
        Where it begins, step by step
      </h3>
      <p className="text-[15px] text-muted">
        One step of the sensor is{' '}
        {fullAtDeg ? `${(fullAtDeg / levels).toFixed(3)}°` : `${(100 / levels).toFixed(3)} % of the travel`};
        it gives {(100 * jump).toFixed(3)} % at most here.
      </p>
      <div className="h-44">
        <Chart
          className="h-full"
          build={build}
          label={`${axis.name}: the first steps of the sensor`}
          fileName={`${axis.axis}-first-steps`}
          table={{
            columns: [fullAtDeg ? 'degrees' : 'travel %', 'output %'],
            rows: steps.map(({ at, out }) => [(at * (fullAtDeg ?? 100)).toFixed(4), (100 * out).toFixed(4)]),
          }}
        />
      </div>
    </section>
  );
}
