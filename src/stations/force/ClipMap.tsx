import type { ClipKind } from '@/core/force/clipEvents';
import type { ForceTrace } from '@/core/force/judgeForce';
import { RoadLine } from '@/parts/RoadLine';
import type { RoadMap } from '@/book/model/rideTrace';
import { CLIP_MARKS } from './forceChart';

/** Size of a mark, m of the map. */
const MARK_M = 46;

/** The road from above, with a mark wherever the force is clipped, told by its shape. */
export function ClipMap({ trace, road }: { trace: ForceTrace; road: RoadMap }) {
  const perPointM = road.lengthM / road.points.length;
  const marks = trace.kind.flatMap((kind, i) => {
    if (!kind) return [];
    const at = Math.min(road.points.length - 1, Math.round((i * trace.stepM) / perPointM));
    return [{ kind, x: road.points[at]![0], y: -road.points[at]![1] }];
  });
  const kinds = [...new Set(marks.map(({ kind }) => kind))];
  return (
    <figure className="h-56">
      <RoadLine
        map={road}
        className="h-48 w-full text-line"
        label={`${road.name} from above, with ${marks.length === 0 ? 'no clipped stretch' : `${marks.length} clipped pieces of ${trace.stepM} m`}`}
      >
        {marks.map(({ kind, x, y }, i) => (
          <Mark key={i} kind={kind} x={x} y={y} />
        ))}
      </RoadLine>
      <figcaption className="text-sm text-muted">
        {kinds.length === 0
          ? 'Nothing is clipped anywhere.'
          : kinds.map((kind) => `${SHAPE_WORDS[kind]} ${CLIP_MARKS[kind].words}`).join(', ')}
      </figcaption>
    </figure>
  );
}

const SHAPE_WORDS: Record<ClipKind, string> = { sustained: '■', impact: '▲', short: '●' };

function Mark({ kind, x, y }: { kind: ClipKind; x: number; y: number }) {
  const half = MARK_M / 2;
  const fill = 'var(--rust)';
  if (kind === 'sustained')
    return <rect x={x - half} y={y - half} width={MARK_M} height={MARK_M} fill={fill} />;
  if (kind === 'impact')
    return <path d={`M${x} ${y - half}L${x + half} ${y + half}L${x - half} ${y + half}Z`} fill={fill} />;
  return <circle cx={x} cy={y} r={half * 0.8} fill={fill} />;
}
