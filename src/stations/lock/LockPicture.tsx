import type { RotationInForce } from '@/core/settings/rotationOf';
import { matchRotation } from '@/core/rotation/matchRotation';
import { degrees } from '@/words/format';

interface Props {
  rotation: RotationInForce;
  ratio: number;
  hairpin: { handDeg: number; isEnough: boolean; trackName: string; radiusM: number };
}

const RIM = { x: 150, y: 150, r: 78 };
const BEND = { x: 500, y: 150 };
const ARCS = [
  { key: 'base', name: 'base', r: 92, dash: '' },
  { key: 'title', name: 'title', r: 106, dash: '10 5' },
  { key: 'car', name: 'car', r: 120, dash: '2 5' },
] as const;

/** A point on a circle, angles in degrees from twelve o'clock, right positive. */
const at = (x: number, y: number, r: number, deg: number) => {
  const a = (deg * Math.PI) / 180;
  return [x + r * Math.sin(a), y - r * Math.cos(a)] as const;
};
const arc = (r: number, halfDeg: number) => {
  const half = Math.min(179.5, halfDeg);
  const [x0, y0] = at(RIM.x, RIM.y, r, -half);
  const [x1, y1] = at(RIM.x, RIM.y, r, half);
  return `M${x0} ${y0} A${r} ${r} 0 ${half > 90 ? 1 : 0} 1 ${x1} ${y1}`;
};

/**
 * The rim from the seat with the hands where the hairpin puts them, how far base, title and car turn around it, and the
 * car from above in that hairpin with its road wheels at the angle.
 */
export function LockPicture({ rotation, ratio, hairpin }: Props) {
  const match = matchRotation(rotation);
  const roadDeg = Math.min((hairpin.handDeg * match.gain) / ratio, rotation.carDeg / 2 / ratio);
  const hand = Math.min(hairpin.handDeg, rotation.baseDeg / 2);
  const turns = { base: rotation.baseDeg, title: rotation.titleDeg, car: rotation.carDeg };
  // Half a turn of the rim is drawn as half a circle: 1080° and more fill it.
  const shown = (deg: number) => (deg / 2 / 540) * 180;
  const label = `The rim turned by ${degrees(hand)} for the hairpin of ${hairpin.trackName}; base ${degrees(turns.base)}, title ${degrees(turns.title)}, car ${degrees(turns.car)} lock to lock; the hairpin ${hairpin.isEnough ? 'fits' : 'does not fit'}.`;
  return (
    <svg viewBox="0 0 640 300" role="img" aria-label={label} className="w-full max-w-2xl text-ink">
      <circle
        cx={RIM.x}
        cy={RIM.y}
        r={RIM.r}
        fill="none"
        stroke="currentColor"
        strokeWidth="11"
        opacity="0.85"
      />
      <g transform={`rotate(${hand} ${RIM.x} ${RIM.y})`}>
        <path
          d={`M${RIM.x - RIM.r} ${RIM.y} H${RIM.x + RIM.r} M${RIM.x} ${RIM.y} V${RIM.y + RIM.r}`}
          stroke="currentColor"
          strokeWidth="8"
          opacity="0.5"
        />
        <line
          x1={RIM.x}
          y1={RIM.y - RIM.r - 7}
          x2={RIM.x}
          y2={RIM.y - RIM.r + 7}
          stroke="var(--steering)"
          strokeWidth="6"
        />
        {[-78, 78].map((deg) => {
          const [x, y] = at(RIM.x, RIM.y, RIM.r, deg);
          return (
            <ellipse
              key={deg}
              cx={x}
              cy={y}
              rx="12"
              ry="17"
              fill="var(--ground)"
              stroke="currentColor"
              strokeWidth="2.5"
            />
          );
        })}
      </g>
      {ARCS.map(({ key, name, r, dash }) => {
        const half = shown(turns[key]);
        const [tx, ty] = at(RIM.x, RIM.y, r, Math.min(179.5, half));
        return (
          <g key={key}>
            <path
              d={arc(r, half)}
              fill="none"
              stroke="var(--steering)"
              strokeWidth="3"
              strokeDasharray={dash}
            />
            <circle cx={tx} cy={ty} r="4" fill="var(--steering)" />
            <text
              x={RIM.x + 182}
              y={34 + 24 * ARCS.findIndex((a) => a.key === key)}
              fontSize="15"
              fill="currentColor"
            >
              {name} {degrees(turns[key])}
            </text>
            <path
              d={`M${RIM.x + 148} ${29 + 24 * ARCS.findIndex((a) => a.key === key)} h28`}
              stroke="var(--steering)"
              strokeWidth="3"
              strokeDasharray={dash}
            />
          </g>
        );
      })}
      <Hairpin roadDeg={roadDeg} hairpin={hairpin} />
    </svg>
  );
}

/** The road around the inside of the corner; where the wheels cannot turn enough, the car runs off it. */
function Hairpin({ roadDeg, hairpin }: { roadDeg: number; hairpin: Props['hairpin'] }) {
  const r = 78;
  const centre = { x: BEND.x - 10, y: BEND.y + 30 };
  const road = (radius: number) =>
    `M${centre.x - radius} 290 V${centre.y} A${radius} ${radius} 0 0 1 ${centre.x + radius} ${centre.y} V290`;
  const body = { x: centre.x, y: centre.y - r };
  return (
    <g>
      <path d={road(r)} fill="none" stroke="var(--line)" strokeWidth="46" />
      <path d={road(r)} fill="none" stroke="var(--ground)" strokeWidth="1.5" strokeDasharray="9 9" />
      {!hairpin.isEnough && (
        <path
          d={`M${centre.x - r} 290 V${centre.y} A${r * 1.6} ${r * 1.5} 0 0 1 ${centre.x + r * 1.5} ${centre.y - r * 0.9}`}
          fill="none"
          stroke="var(--rust)"
          strokeWidth="3"
        />
      )}
      <g transform={`translate(${body.x} ${body.y}) rotate(90)`}>
        <rect
          x="-11"
          y="-26"
          width="22"
          height="52"
          rx="7"
          fill="var(--raised)"
          stroke="currentColor"
          strokeWidth="2.5"
        />
        {[-11, 11].map((x) => (
          <g key={x}>
            <rect x={x - 3} y="11" width="6" height="14" fill="currentColor" />
            <g transform={`translate(${x} -17) rotate(${roadDeg})`}>
              <rect x="-3.5" y="-8" width="7" height="16" rx="1.5" fill="var(--steering)" />
            </g>
          </g>
        ))}
      </g>
      <text x={centre.x} y={centre.y + 30} fontSize="15" textAnchor="middle" fill="currentColor">
        {Number.isFinite(hairpin.radiusM) ? `${hairpin.radiusM.toFixed(1)} m` : 'no corner'}
      </text>
      <text
        x={centre.x}
        y={centre.y + 52}
        fontSize="15"
        textAnchor="middle"
        fill={hairpin.isEnough ? 'currentColor' : 'var(--rust)'}
      >
        {hairpin.isEnough ? `wheels at ${degrees(roadDeg, 1)}` : 'does not fit'}
      </text>
    </g>
  );
}
