import type { TrackSpec } from '@/core/vehicle/track';
import { Table } from '@/ui/Table';

interface Row {
  number: number;
  atM: number | null;
  radiusM: number;
  plusMinusM: number | null;
  angleDeg: number;
}

/** Corners of a road with their radii, and how sure they are. */
export function CornerTable({ spec: { course, segments } }: { spec: TrackSpec }) {
  const corners: Omit<Row, 'number'>[] =
    course?.corners ??
    segments.map(({ radiusM, angleDeg }) => ({
      atM: null,
      radiusM: Math.abs(radiusM),
      plusMinusM: 0,
      angleDeg,
    }));
  const rows = corners.map((corner, i): Row => ({ number: i + 1, ...corner }));
  if (rows.length === 0) return <p className="max-w-2xl text-[15px] text-muted">It has no corner.</p>;
  const tightest = Math.min(...rows.map(({ radiusM }) => radiusM));
  return (
    <div className="max-w-2xl">
      <Table
        label="Corners of the road"
        rows={rows}
        keyOf={({ number }) => String(number)}
        isInOrder
        isStrong={({ radiusM }) => radiusM === tightest}
        fileName="corners"
        columns={[
          { head: 'Corner', value: ({ number }) => number, isRowHead: true },
          ...(course
            ? [
                {
                  head: 'at m',
                  value: ({ atM }: Row) => (atM === null ? null : atM.toFixed(0)),
                  isFigure: true,
                },
              ]
            : []),
          {
            head: 'turns',
            value: ({ angleDeg }) => `${Math.abs(angleDeg).toFixed(0)}° ${angleDeg > 0 ? 'left' : 'right'}`,
            isFigure: true,
          },
          { head: 'radius m', value: ({ radiusM }) => radiusM.toFixed(1), isFigure: true },
          {
            head: '95 %',
            value: ({ plusMinusM }) =>
              plusMinusM === null ? 'not known' : plusMinusM === 0 ? 'as laid' : `± ${plusMinusM.toFixed(1)}`,
            isFigure: true,
          },
        ]}
      />
    </div>
  );
}
