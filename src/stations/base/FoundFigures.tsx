import type { BaseByHand } from '@/core/identify/baseByHand';
import { withHalf } from '@/words/baseByHand';

/** What a measurement under way says so far, with what it may be off by. */
export function FoundFigures({ found }: { found: BaseByHand }) {
  const { frictionNm, inertiaKgM2, frictionOverInertia, dampingOverInertia, springOverInertia } = found;
  const rows: [string, string][] = [
    ...(frictionNm ? [['Friction', `${withHalf(frictionNm, 3)} N·m`] as [string, string]] : []),
    ...(inertiaKgM2 ? [['Inertia', `${withHalf(inertiaKgM2, 4)} kg·m²`] as [string, string]] : []),
    ['Friction over inertia', `${withHalf(frictionOverInertia, 2)} rad/s²`],
    ['Damping over inertia', `${withHalf(dampingOverInertia, 2)} /s`],
    ...(springOverInertia
      ? [['A spring is on', `${withHalf(springOverInertia, 1)} /s²`] as [string, string]]
      : []),
  ];
  return (
    <>
      <dl aria-label="Found so far" className="mt-2 grid grid-cols-[1fr_auto] gap-x-3 gap-y-1 text-[15px]">
        {rows.map(([name, value]) => (
          <div key={name} className="contents">
            <dt className="text-muted">{name}</dt>
            <dd className="text-right font-mono">{value}</dd>
          </div>
        ))}
      </dl>
      {found.warnings.map((warning) => (
        <p key={warning} className="mt-1 text-sm text-rust">
          {warning}
        </p>
      ))}
    </>
  );
}
