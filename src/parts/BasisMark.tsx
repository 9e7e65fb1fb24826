import { assumedIn, type Basis } from '@/core/rig/evidence';
import { Term } from '@/ui/Term';

/** One small mark, the same everywhere, on what rests on an assumption; on hover or a tap it says on which. */
export function BasisMark({ basis }: { basis: Basis }) {
  const assumed = assumedIn(basis);
  if (assumed.length === 0) return null;
  return (
    <span className="ml-1 text-sm font-normal text-muted">
      <Term
        word="◇"
        label="rests on assumptions"
        meaning={`Assumed, neither measured nor written down: ${assumed.join('; ')}.`}
      />
    </span>
  );
}
