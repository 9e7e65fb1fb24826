import type { LogParts } from '@/core/force/logParts';
import { percent } from '@/core/text/percent';
import type { Basis } from '@/core/rig/evidence';
import { Facts, restOn } from '@/parts/Facts';

/** What the force of the log that is chosen in Strength is made of, and which channel would tell more. */
export function LogPartsFacts({ parts, basis, name }: { parts: LogParts; basis: Basis; name: string }) {
  const { corners, slow, road, kerbs, offTrack, explained, missing } = parts;
  const told = (value: number | null, meaning: string) =>
    value === null ? [] : [{ value: percent(value, 1), meaning }];
  const facts = [
    ...told(corners, 'follows the corners'),
    ...told(slow, 'moves as slowly, and follows something else'),
    ...told(road, kerbs === null ? 'is faster than 8 Hz' : 'is faster than 8 Hz, on the road'),
    ...told(kerbs, 'the same on kerbs'),
    ...told(offTrack, 'the same off the track'),
  ];
  return (
    <section aria-label={`Force of ${name}`} className="mt-6 max-w-4xl">
      <h2 className="font-bold">As logged in {name}, in shares of full scale (RMS)</h2>
      {facts.length > 0 && <Facts facts={restOn(basis, facts)} />}
      <p className="mt-2 max-w-2xl text-[15px] text-muted">
        {explained !== null &&
          `The corners explain ${explained > 0.99 ? 'over 99 %' : percent(explained)} of the slow force. `}
        {missing.join(' ')}
      </p>
    </section>
  );
}
