'use client';

import { useCallback } from 'react';
import type { DrillPicture } from '@/core/drills/drillPicture';
import type { DrillName } from '@/core/drills/measureDrill';
import { Chart } from '@/ui/Chart';
import type { ChartPalette } from '@/ui/chartTheme';
import { DRILL_WORDS } from '@/words/drills';
import { attemptOption } from './attemptChart';

/** An attempt as a picture: its way over the circle, its presses, or rim and slip through a catch. */
export function AttemptPicture({ name, picture }: { name: DrillName; picture: DrillPicture }) {
  if (picture.kind === 'way') return <Way picture={picture} name={name} />;
  return <Over name={name} picture={picture} />;
}

function Over({ name, picture }: { name: DrillName; picture: Exclude<DrillPicture, { kind: 'way' }> }) {
  const build = useCallback((palette: ChartPalette) => attemptOption(picture, palette), [picture]);
  const label = DRILL_WORDS[name].label;
  return (
    <>
      <Chart
        className="h-64 w-[min(52rem,80vw)]"
        build={build}
        label={`${label}: what was just driven`}
        fileName={name}
        table={
          picture.kind === 'row'
            ? {
                columns: ['press', 'peak %'],
                rows: picture.values.map((v, i) => [i + 1, (100 * v).toFixed(1)]),
              }
            : {
                columns: ['s', ...picture.lines.map((line) => `${line.name} ${line.unit}`)],
                rows: (picture.lines[0]?.points ?? []).map(([s], i) => [
                  s.toFixed(2),
                  ...picture.lines.map((line) => line.points[i]![1].toFixed(2)),
                ]),
              }
        }
      />
      {picture.kind === 'time' && (
        <p className="text-sm text-muted" aria-hidden="true">
          {picture.lines.map((line, i) => `${line.name} ${MARKS[i % MARKS.length]}`).join(', ')}
        </p>
      )}
    </>
  );
}

/** As the lines are drawn. */
const MARKS = ['━━', '╍╍', '┈┈'];

const SIDE = 260;
const NEAR = 1.4;

/** The way over the ground, and the circle under it. */
function Way({
  picture: { way: all, circle },
  name,
}: {
  picture: Extract<DrillPicture, { kind: 'way' }>;
  name: DrillName;
}) {
  // What lies away from the circle is the way in and out: it would make the circle small.
  const way = circle ? all.filter(([x, y]) => Math.hypot(x - circle.x, y - circle.y) < NEAR * circle.r) : all;
  const xs = [...way.map(([x]) => x), ...(circle ? [circle.x - circle.r, circle.x + circle.r] : [])];
  const ys = [...way.map(([, y]) => y), ...(circle ? [circle.y - circle.r, circle.y + circle.r] : [])];
  const [left, low] = [Math.min(...xs), Math.min(...ys)];
  const wide = Math.max(Math.max(...xs) - left, Math.max(...ys) - low, 1);
  const at = (x: number, y: number) => [
    ((x - left) / wide) * (SIDE - 16) + 8,
    SIDE - 8 - ((y - low) / wide) * (SIDE - 16),
  ];
  const centre = circle && at(circle.x, circle.y);
  return (
    <svg
      viewBox={`0 0 ${SIDE} ${SIDE}`}
      className="mx-auto mt-3 h-72"
      role="img"
      aria-label={`${DRILL_WORDS[name].label}: the way that was just driven${circle ? ', over its circle' : ''}`}
    >
      {circle && centre && (
        <circle
          cx={centre[0]}
          cy={centre[1]}
          r={(circle.r / wide) * (SIDE - 16)}
          className="fill-none stroke-muted"
          strokeWidth="7"
          opacity="0.35"
        />
      )}
      <polyline
        points={way
          .map(([x, y]) =>
            at(x, y)
              .map((v) => v.toFixed(1))
              .join(','),
          )
          .join(' ')}
        className="fill-none stroke-throttle"
        strokeWidth="2"
      />
    </svg>
  );
}
