import { ACTION_IDS, ACTIONS } from '@/core/buttons/actions';
import { thumbSeconds, type ButtonMap } from '@/core/buttons/buttonMap';
import { RIM_SPOTS, secondsOf, type RimButton } from '@/core/rig/rimButton';

const R = 150;
const [CX, CY] = [310, 168];

/** The rim from the seat: what lies under the thumbs, what has to be stretched for, what takes a hand off. */
export function RimPicture({
  buttons,
  map,
  asked = null,
}: {
  buttons: readonly RimButton[];
  map: ButtonMap;
  /** The button that is to be pressed now. */
  asked?: number | null;
}) {
  const thumb = buttons.length > 0 ? thumbSeconds(buttons) : 0;
  const onThumb = buttons.filter((one) => secondsOf(one) <= thumb).length;
  return (
    <svg
      viewBox="0 0 620 372"
      className="h-[22rem] w-full max-w-2xl"
      role="img"
      aria-label={`The rim from the seat with ${buttons.length} buttons, ${onThumb} of them within reach of the resting grip.`}
    >
      <circle cx={CX} cy={CY} r={R} fill="none" stroke="var(--line)" strokeWidth="22" />
      <path
        d={`M${CX - R} ${CY + 8}H${CX - 46}M${CX + 46} ${CY + 8}H${CX + R}M${CX} ${CY + 54}V${CY + R}`}
        stroke="var(--line)"
        strokeWidth="16"
      />
      {[-1, 1].map((side) => (
        <rect
          key={side}
          x={CX + side * R - 15}
          y={CY - 42}
          width="30"
          height="76"
          rx="15"
          fill="none"
          stroke="currentColor"
          strokeDasharray="3 4"
          className="text-muted"
        />
      ))}
      {fanned(buttons).map(({ button, x, y }) => {
        const isNear = secondsOf(button) <= thumb;
        const isAsked = button.index === asked;
        return (
          <g key={button.index}>
            <circle
              cx={x}
              cy={y}
              r={isAsked ? 15 : 11}
              fill={isAsked ? 'var(--lichen)' : isNear ? 'var(--raised)' : 'var(--ground)'}
              stroke="currentColor"
              strokeWidth={isNear ? 2.5 : 1.25}
              strokeDasharray={button.seconds === null ? '3 2' : undefined}
            />
            <text x={x} y={y + 4} textAnchor="middle" fontSize="12" fontWeight="600" fill="currentColor">
              {button.index + 1}
            </text>
            {wordOn(map, button.index) !== '' && (
              <text
                x={x + (x < CX - 5 ? -16 : x > CX + 5 ? 16 : 0)}
                y={x < CX - 5 || x > CX + 5 ? y + 4 : y + 26}
                textAnchor={x < CX - 5 ? 'end' : x > CX + 5 ? 'start' : 'middle'}
                fontSize="17"
                fill="currentColor"
                stroke="var(--ground)"
                strokeWidth="4"
                paintOrder="stroke"
              >
                {wordOn(map, button.index)}
              </text>
            )}
          </g>
        );
      })}
    </svg>
  );
}

const wordOn = (map: ButtonMap, index: number): string =>
  ACTION_IDS.filter((id) => map.on[id] === index)
    .map((id) => ACTIONS[id].word)
    .join(', ');

/** Several buttons at one place stand side by side. */
function fanned(buttons: readonly RimButton[]) {
  const seen = new Map<string, number>();
  return buttons.map((button) => {
    const { x: at, y, isBehind } = RIM_SPOTS[button.spot];
    // Under the fingers, beyond the rim as it is seen from the seat.
    const x = isBehind ? Math.sign(at) * 1.3 : at;
    const before = seen.get(button.spot) ?? 0;
    seen.set(button.spot, before + 1);
    return { button, x: CX + x * R + before * 26, y: CY - y * R };
  });
}
