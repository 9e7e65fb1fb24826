'use client';

import { useCallback } from 'react';
import { Chart } from '@/ui/Chart';
import type { ChartPalette } from '@/ui/chartTheme';
import { letGoOption } from './forceChart';
import type { ForceState } from './useForce';

/** What the rim does after it is let go. */
export function CalmPicture({ force }: { force: ForceState }) {
  const calm = force.stability?.calm;
  const build = useCallback(
    (palette: ChartPalette) => letGoOption(calm?.roll.trace ?? [], calm?.fast.trace ?? [], palette),
    [calm],
  );
  if (!calm) return <p className="flex h-64 items-center text-muted">Letting go of the rim…</p>;
  return (
    <div className="h-64 max-w-2xl">
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
  );
}
