import type { Basis } from '@/core/rig/evidence';
import { BasisMark } from './BasisMark';

export interface Fact {
  value: React.ReactNode;
  meaning: React.ReactNode;
  /** What it rests on: no figure stands without. */
  basis: Basis;
}

/** The same basis under several figures. */
export const restOn = (basis: Basis, facts: readonly Omit<Fact, 'basis'>[]): Fact[] =>
  facts.map((fact) => ({ ...fact, basis }));

/** Number first, then what it means; marked where it rests on something that nobody measured or wrote down. */
export function Facts({ facts }: { facts: readonly Fact[] }) {
  return (
    <dl
      className={`mt-4 grid grid-cols-2 gap-x-4 gap-y-3 border-t border-line pt-4 sm:grid-cols-3 ${facts.length > 3 ? 'xl:grid-cols-5' : ''}`}
    >
      {facts.map(({ value, meaning, basis }, i) => (
        <div key={i} className="flex flex-col-reverse justify-end">
          <dt className="text-sm leading-snug text-muted">{meaning}</dt>
          <dd className="text-xl font-bold">
            {value}
            <BasisMark basis={basis} />
          </dd>
        </div>
      ))}
    </dl>
  );
}
