import type { DrillShown } from '@/core/drills/measureDrill';
import { LinkButton } from '@/ui/LinkButton';
import { lapTime } from '@/words/drive';
import { DRILL_WORDS, drillText } from '@/words/drills';

/** What became of a ride that is over. */
export type Kept =
  | { state: 'driving' | 'keeping' | 'nothing' }
  | { state: 'kept'; drills: DrillShown[] }
  | { state: 'fault'; why: string };

/** What was kept of a ride, what it shows, and where to go on. */
export function RideOver({
  kept,
  fault,
  lastLapS,
}: {
  kept: Kept;
  fault: string | null;
  lastLapS: number | null;
}) {
  const words = {
    driving: '',
    keeping: 'The ride is being kept…',
    kept:
      fault !== null
        ? 'The ride broke off, and is kept up to there'
        : lastLapS === null
          ? 'The ride is kept'
          : `Kept: ${lapTime(lastLapS)}`,
    nothing: 'Nothing was driven yet, so nothing is kept',
    fault: 'The ride was not kept',
  }[kept.state];
  return (
    <>
      <p className="text-4xl font-bold">{words}</p>
      {(kept.state === 'fault' || fault) && (
        <p className="mt-2 max-w-xl text-lg text-rust">{fault ?? (kept.state === 'fault' ? kept.why : '')}</p>
      )}
      {kept.state === 'kept' && kept.drills.length > 0 && (
        <dl aria-label="What it shows" className="mt-4 max-w-2xl text-left text-[15px]">
          {kept.drills.map((drill) => (
            <div key={drill.name} className="grid grid-cols-[11rem_1fr] gap-x-4 border-t border-line py-1.5">
              <dt className="font-semibold">{DRILL_WORDS[drill.name].label}</dt>
              <dd className="tabular-nums">{drillText(drill)}</dd>
            </div>
          ))}
        </dl>
      )}
      {kept.state !== 'keeping' && (
        <p className="mt-5 flex flex-wrap justify-center gap-3">
          <LinkButton href="/ride">See what it shows</LinkButton>
          {/* Anew: the next ride has its own worker. */}
          <a
            href={typeof location === 'undefined' ? '/drive' : location.href}
            className="inline-flex min-h-11 items-center rounded-lg border border-line px-4 font-semibold"
          >
            Drive again
          </a>
        </p>
      )}
    </>
  );
}
