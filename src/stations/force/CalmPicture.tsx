'use client';

import { useCallback, useMemo } from 'react';
import { catchTrade } from '@/core/force/catchTrade';
import { chainOf, damperAtFull } from '@/core/force/chainOf';
import { Chart } from '@/ui/Chart';
import type { ChartPalette } from '@/ui/chartTheme';
import { FAST_MPS, ROLL_MPS } from '@/core/force/handsOff';
import { speedText, type SpeedUnit } from '@/core/text/speedUnit';
import { LET_GO, letGoOption } from './forceChart';
import { tradeOption } from './tradeChart';
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
      <Trade force={force} calmNms={calm.least.damperNms} />
    </div>
  );
}

const ROOM = {
  both: 'There is room for both: a rim that is calm by itself, and one that still catches nearly every slide by itself',
  some: 'A damper that calms this rim still lets it catch some slides by itself, not most',
  none: 'Not both: with a damper that calms this rim it hardly catches a slide by itself',
} as const;

/** What calm costs who lets the rim run through the hands in a slide. */
function Trade({ force, calmNms }: { force: ForceState; calmNms: number | null }) {
  const chain = useMemo(() => chainOf(force.facts), [force.facts]);
  const trade = useMemo(() => catchTrade(chain, calmNms, damperAtFull(chain.hardware)), [chain, calmNms]);
  const now = chain.base.damperNms;
  const build = useCallback((palette: ChartPalette) => tradeOption(trade, now, palette), [trade, now]);
  const seconds = (s: number | null) => (s === null ? 'over 1' : s.toFixed(2));
  return (
    <>
      <h2 className="mt-6 font-bold">
        {trade.room === null ? 'No damper that this base has settles this rim by itself' : ROOM[trade.room]}
      </h2>
      <div className="h-52">
        <Chart
          className="h-full"
          build={build}
          label="Half a turn of the let-go rim by the damper of the base"
          fileName="calm-or-quick"
          table={{
            columns: ['damper N·m·s/rad', 'half a turn s'],
            rows: trade.points.map(({ damperNms, halfTurnS }) => [damperNms.toFixed(3), seconds(halfTurnS)]),
          }}
        />
      </div>
    </>
  );
}
