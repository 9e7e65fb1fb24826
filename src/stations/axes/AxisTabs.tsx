import Link from 'next/link';
import { AXES } from '@/core/axes/axes';
import { Pebble, type PebbleKind } from '@/ui/Pebble';
import type { AxisView } from '@/book/model/axisView';
import type { BookView } from '@/book/model/bookView';
import { axisFinding } from '@/book/judge/road/axes';
import type { Health } from '@/book/model/stationHealth';

const PEBBLES: Record<Health, PebbleKind> = {
  untouched: 'empty',
  'under-way': 'dot',
  settled: 'check',
  look: 'alert',
};

/** The axes of the rig, each with its state; on the right, capture or history of the one that is open. */
export function AxisTabs({
  view,
  axis,
  shows,
}: {
  view: BookView;
  axis: AxisView;
  shows: 'capture' | 'history';
}) {
  return (
    <div className="mb-2 flex items-end justify-between gap-x-4 border-b border-line">
      <nav aria-label="Axes of this rig" className="flex min-w-0 flex-wrap gap-x-4">
        {view.axes.map((other) => {
          const { health, reason } = axisFinding(other);
          const isHere = other.axis === axis.axis;
          return (
            <Link
              key={other.axis}
              href={`/axes/${other.axis}`}
              aria-current={isHere ? 'page' : undefined}
              aria-label={`${other.name}: ${reason}`}
              className={`flex min-h-11 items-center gap-1.5 border-b-3 text-[15px] ${isHere ? 'font-bold' : 'border-transparent text-muted hover:text-ink'}`}
              style={isHere ? { borderColor: `var(--${AXES[other.axis].ink})` } : undefined}
            >
              <Pebble kind={PEBBLES[health]} size={18} shape={other.name.length} />
              {other.name}
            </Link>
          );
        })}
      </nav>
      {axis.captureCount > 1 && (
        <nav aria-label="Capture or history" className="flex shrink-0 gap-x-3 text-[15px]">
          {(['capture', 'history'] as const).map((what) => (
            <Link
              key={what}
              href={`/axes/${axis.axis}${what === 'history' ? '?view=history' : ''}`}
              aria-current={shows === what ? 'true' : undefined}
              className={`flex min-h-11 items-center border-b-3 ${shows === what ? 'border-muted font-bold' : 'border-transparent text-muted hover:text-ink'}`}
            >
              {what === 'capture' ? 'Newest' : 'History'}
            </Link>
          ))}
        </nav>
      )}
    </div>
  );
}
