import type { RoadMap } from '@/book/model/rideTrace';

const MARGIN_M = 30;

interface Props {
  map: RoadMap;
  className: string;
  /** What it shows, where that is more than the road. */
  label?: string;
  /** Drawn on top, in metres of the map; y points down. */
  children?: React.ReactNode;
}

/** The road seen from above, with where it starts. */
export function RoadLine({ map, className, label = `${map.name} from above`, children }: Props) {
  const xs = map.points.map(([x]) => x);
  const ys = map.points.map(([, y]) => -y);
  const [left, top] = [Math.min(...xs) - MARGIN_M, Math.min(...ys) - MARGIN_M];
  const size = `${Math.max(...xs) - left + MARGIN_M} ${Math.max(...ys) - top + MARGIN_M}`;
  const path = map.points
    .map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${x.toFixed(1)} ${(-y).toFixed(1)}`)
    .join('');
  return (
    <svg viewBox={`${left} ${top} ${size}`} className={className} role="img" aria-label={label}>
      <path
        d={map.closed ? `${path}Z` : path}
        fill="none"
        stroke="currentColor"
        strokeWidth="9"
        strokeLinejoin="round"
      />
      <circle cx={map.points[0]![0]} cy={-map.points[0]![1]} r="14" fill="var(--lichen)" />
      {children}
    </svg>
  );
}
