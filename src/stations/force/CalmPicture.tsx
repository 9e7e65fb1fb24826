'use client';

import { useCallback } from 'react';
import { Chart } from '@/ui/Chart';
import type { ChartPalette } from '@/ui/chartTheme';
import { FAST_MPS, ROLL_MPS } from '@/core/force/handsOff';
import { speedText, type SpeedUnit } from '@/core/text/speedUnit';
import { LET_GO, letGoOption } from './forceChart';
import type { ForceState } from './useForce';

/** What the rim does after it is let go. */
export function CalmPicture({ force, unit }: { force: ForceState; unit: SpeedUnit }) {
  const calm = force.stability?.calm;
  const build = useCallback(
    (palette: ChartPalette) => letGoOption(calm?.roll.trace ?? [], calm?.fast.trace ?? [], palette),
    [calm],
  );
  const from = (of: { fromDeg: number }) => `let go ${of.fromDeg}° off centre`;
  if (!calm) return <p className="flex h-64 items-center text-muted">Letting go of the rim…</p>;
  return (
    <div className="max-w-2xl">
      <div className="h-64">
        <Chart
          className="h-full"
          build={build}
          label="The rim after it is let go, at a slow roll and at speed"
          fileName="let-go"
          table={{
            columns: ['s', 'slow roll °', 'at speed °'],
            rows: calm.roll.trace.map((deg, i) => [
              (i / 100).toFixed(2),
              deg.toFixed(2),
              calm.fast.trace[i]?.toFixed(2) ?? '',
            ]),
          }}
        />
      </div>
      <p className="mt-1 text-sm text-muted" aria-hidden="true">
        <span className="font-bold text-steering">{LET_GO.fast.mark}</span> at speed (
        {speedText(FAST_MPS, unit)}, {from(calm.fast)}),{' '}
        <span className="font-bold text-steering">{LET_GO.roll.mark}</span> at a slow roll (
        {speedText(ROLL_MPS, unit)}, {from(calm.roll)})
      </p>
    </div>
  );
}
