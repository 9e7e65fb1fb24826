'use client';

import { useRef } from 'react';
import { respond } from '@/core/response/compose';
import type { ResponseLayer } from '@/core/response/layer';
import { travelFor } from '@/core/response/notes';
import { SHAPE_GRID } from './shapeChart';

type Point = [number, number];

/** Points lie on whole percents and keep this distance to their neighbours. */
const GRID = 0.01;
const onGrid = (x: number) => Math.round(x / GRID) * GRID;
const tidy = (x: number) => Number(x.toFixed(2));

interface Props {
  points: Point[];
  /** Base, title and car in signal order, and which of them is drawn. */
  layers: ResponseLayer[];
  drawn: number;
  onChange(points: Point[]): void;
}

/** The points of a freely drawn curve as handles on the picture: drag them, or move them by arrow keys. */
export function CurveHandles({ points, layers, drawn, onChange }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const layer = layers[drawn]!;
  const before = layers.slice(0, drawn);
  const after = layers.slice(drawn + 1);
  /** Where a point of the layer lies in the picture, as shares of the plot. */
  const place = ([u, y]: Point) => ({
    x: travelFor(before, layer.deadzone + u * (layer.saturation - layer.deadzone)),
    y: respond(after, y),
  });
  const move = (i: number, [u, y]: Point) => {
    const [[u0, y0], [u1, y1]] = [points[i - 1]!, points[i + 1]!];
    const next: Point = [
      tidy(Math.min(u1 - GRID, Math.max(u0 + GRID, onGrid(u)))),
      tidy(Math.min(y1, Math.max(y0, onGrid(y)))),
    ];
    onChange(points.map((point, k) => (k === i ? next : point)));
  };
  const drag = (i: number) => (event: React.PointerEvent) => {
    if (!event.currentTarget.hasPointerCapture(event.pointerId)) return;
    const { left, top, width, height } = box.current!.getBoundingClientRect();
    const travel = Math.min(1, Math.max(0, (event.clientX - left) / width));
    const out = Math.min(1, Math.max(0, 1 - (event.clientY - top) / height));
    const x = respond(before, travel);
    move(i, [(x - layer.deadzone) / (layer.saturation - layer.deadzone), travelFor(after, out)]);
  };
  const byKey = (i: number) => (event: React.KeyboardEvent) => {
    const [u, y] = points[i]!;
    const to: Record<string, Point> = {
      ArrowLeft: [u - GRID, y],
      ArrowRight: [u + GRID, y],
      ArrowDown: [u, y - GRID],
      ArrowUp: [u, y + GRID],
    };
    const wanted = to[event.key];
    if (event.key === 'Delete') onChange(points.filter((_, k) => k !== i));
    if (!wanted && event.key !== 'Delete') return;
    event.preventDefault();
    event.stopPropagation();
    if (wanted) move(i, wanted);
  };
  const { left, right, top, bottom } = SHAPE_GRID;
  return (
    <div ref={box} className="pointer-events-none absolute" style={{ left, right, top, bottom }}>
      {points.slice(1, -1).map((point, k) => {
        const { x, y } = place(point);
        return (
          <button
            key={k}
            type="button"
            aria-label={`Point ${k + 1} of the curve: ${Math.round(100 * point[0])} % gives ${Math.round(100 * point[1])} %. Arrow keys move it, Delete takes it out.`}
            className="pointer-events-auto absolute flex h-11 w-11 -translate-x-1/2 translate-y-1/2 cursor-move touch-none items-center justify-center"
            style={{ left: `${100 * x}%`, bottom: `${100 * y}%` }}
            onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
            onPointerMove={drag(k + 1)}
            onKeyDown={byKey(k + 1)}
          >
            <span className="block h-4 w-4 rounded-[50%] border-2 border-ink bg-ground" aria-hidden="true" />
          </button>
        );
      })}
    </div>
  );
}

/** One point more, in the middle of the widest gap, on the curve as it is. */
export function withPoint(points: Point[], valueAt: (u: number) => number): Point[] {
  let widest = 1;
  for (let i = 1; i < points.length; i++)
    if (points[i]![0] - points[i - 1]![0] > points[widest]![0] - points[widest - 1]![0]) widest = i;
  const u = onGrid((points[widest]![0] + points[widest - 1]![0]) / 2);
  return [...points.slice(0, widest), [tidy(u), tidy(valueAt(u))], ...points.slice(widest)];
}
