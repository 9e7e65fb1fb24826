import { Pebble } from '@/ui/Pebble';
import type { SpinStatus } from '@/live/spinSession';

/** Every spin and release as a pebble. */
export function SpinPebbles({
  status,
  flicks,
  releases,
  isLarge = false,
}: {
  status: Pick<SpinStatus, 'flicks' | 'releases' | 'step'>;
  flicks: number;
  releases: number;
  isLarge?: boolean;
}) {
  const rows = [
    {
      name: 'Spins',
      done: status.flicks,
      of: Math.max(flicks, status.flicks),
      isHere: status.step?.kind !== 'pendulum',
    },
    {
      name: 'Releases',
      done: status.releases,
      of: Math.max(releases, status.releases),
      isHere: status.step?.kind === 'pendulum',
    },
  ].filter(({ name, done, isHere }) => name === 'Spins' || done > 0 || isHere);
  return (
    <ol className="flex flex-wrap gap-x-8 gap-y-2" aria-label="Progress">
      {rows.map(({ name, done, of, isHere }) => (
        <li key={name} aria-current={isHere ? 'step' : undefined}>
          <span className={`block ${isLarge ? 'text-xl' : 'text-sm'} ${isHere ? 'font-bold' : 'text-muted'}`}>
            {name}
          </span>
          <span className="flex flex-wrap gap-1" aria-label={`${done} of ${of}`} role="img">
            {Array.from({ length: of }, (_, k) => (
              <Pebble
                key={k}
                size={isLarge ? 30 : 22}
                shape={k}
                kind={k < done ? 'check' : isHere && k === done ? 'dot' : 'empty'}
              />
            ))}
          </span>
        </li>
      ))}
    </ol>
  );
}
