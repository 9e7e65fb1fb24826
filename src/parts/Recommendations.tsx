'use client';

import { useState } from 'react';
import type { PedalRecommendation } from '@/core/axes/recommend';
import type { AxisView } from '@/book/model/axisView';
import { Button } from '@/ui/Button';
import { applyChange } from '@/book/write/settings';
import { NextStep } from '@/ui/StationPage';
import { told } from './told';

/** Recommendations that the driver has not waved away, numbered; `after` continues the numbers. */
export function Recommendations({
  axis,
  recommendations = axis.recommendations,
  after,
}: {
  axis: Pick<AxisView, 'axis' | 'recommendations' | 'values'>;
  recommendations?: PedalRecommendation[];
  after(next: number, shown: number): React.ReactNode;
}) {
  const [declined, setDeclined] = useState<string[]>([]);
  const [busy, setBusy] = useState<string | null>(null);
  const shown = recommendations.filter((r) => !declined.includes(`${r.key}:${r.to}`));
  const apply = async (r: PedalRecommendation) => {
    setBusy(r.key);
    try {
      told(
        await applyChange({
          axis: axis.axis,
          field: r.key,
          to: r.to,
          seen: axis.values[r.key] ?? null,
          why: r.evidence,
        }),
        `${r.label} ${r.from} → ${r.to} is on the trail`,
      );
    } finally {
      setBusy(null);
    }
  };
  return (
    <>
      {shown.map((r, i) => (
        <NextStep
          key={r.key}
          number={i + 1}
          title={
            <>
              {r.label}{' '}
              <span className="font-mono text-[15px] whitespace-nowrap">
                {r.from} → {r.to}
              </span>
            </>
          }
          actions={
            <>
              <Button
                look="next"
                disabled={busy !== null}
                onClick={() => void apply(r)}
                aria-label={`Apply: ${r.label} ${r.from} to ${r.to}`}
              >
                Apply
              </Button>
              <Button
                look="quiet"
                onClick={() => setDeclined([...declined, `${r.key}:${r.to}`])}
                aria-label={`Not for me: ${r.label}`}
              >
                Not for me
              </Button>
            </>
          }
        >
          {r.evidence}
        </NextStep>
      ))}
      {after(shown.length + 1, shown.length)}
    </>
  );
}
