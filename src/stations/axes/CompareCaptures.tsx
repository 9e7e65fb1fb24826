import { restingLimb, strokeOf, type AxisName } from '@/core/axes/axes';
import type { AxisAnalysis } from '@/core/axes/analyseAxis';
import { degrees } from '@/words/format';
import { percent } from '@/core/text/percent';
import { Table } from '@/ui/Table';

interface Side {
  name: string;
  analysis: AxisAnalysis;
}

type Row = { name: string | ((axis: AxisName) => string); of(analysis: AxisAnalysis): string | null };

const share = (counts: number, a: AxisAnalysis) => percent(counts / (a.max - a.min), 2);
const pedal = (a: AxisAnalysis) => ('coverTravel' in a ? a : null);
const steering = (a: AxisAnalysis) => (a.axis === 'steering' ? a : null);
const maybe = (value: number | null | undefined, say: (v: number) => string) =>
  value === null || value === undefined ? null : say(value);

const ROWS: Row[] = [
  { name: 'noise (σ)', of: (a) => share(a.noise, a) },
  { name: 'lower end, raw', of: (a) => a.min.toFixed(0) },
  { name: 'upper end, raw', of: (a) => a.max.toFixed(0) },
  { name: 'resolution', of: (a) => maybe(a.bits, (v) => `${v.toFixed(1)} bit`) },
  {
    name: restingLimb,
    of: (a) => maybe(pedal(a)?.coverTravel?.median, (v) => percent(Math.max(0, v), 1)),
  },
  { name: (axis) => `full ${strokeOf(axis)}`, of: (a) => maybe(pedal(a)?.pressMean, (v) => v.toFixed(3)) },
  { name: 'rotation', of: (a) => maybe(steering(a)?.rotationDeg, (v) => degrees(v)) },
  { name: 'centre offset', of: (a) => maybe(steering(a)?.centreOffsetDeg, (v) => degrees(v, 1)) },
  { name: 'rough spots', of: (a) => String(a.roughSpots.length) },
  { name: 'spikes, dropouts', of: (a) => `${a.spikes}, ${a.dropouts}` },
];

/** Two captures of one axis side by side, figure by figure. */
export function CompareCaptures({ a, b }: { a: Side; b: Side }) {
  const rows = ROWS.map((row) => ({
    name: typeof row.name === 'string' ? row.name : row.name(a.analysis.axis),
    a: row.of(a.analysis),
    b: row.of(b.analysis),
  })).filter((row) => row.a !== null || row.b !== null);
  return (
    <Table
      label={`${a.name} against ${b.name}`}
      rows={rows}
      keyOf={(row) => row.name}
      fileName="two-captures"
      isInOrder
      isDense
      columns={[
        { head: 'Figure', value: (row) => row.name, isRowHead: true },
        { head: a.name, value: (row) => row.a, className: 'font-mono whitespace-nowrap' },
        { head: b.name, value: (row) => row.b, className: 'font-mono whitespace-nowrap' },
      ]}
    />
  );
}
