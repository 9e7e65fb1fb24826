import type { Proposal } from '@/core/settings/proposal';
import { Button } from '@/ui/Button';
import { NextStep } from '@/ui/StationPage';

/** A change that is proposed, as a numbered step: from where to where, the evidence, and what to do with it. */
export function ProposalStep({
  number,
  proposal: { label, from, to, evidence },
  written = String,
  apply,
  onDecline,
}: {
  number: number;
  proposal: Proposal;
  /** How its menu writes a number. */
  written?(value: number): string;
  /** The button that applies it, given the name that it has to go by. */
  apply(name: string): React.ReactNode;
  /** Leaves it; not asked where there is nothing else to do. */
  onDecline?(): void;
}) {
  return (
    <NextStep
      number={number}
      title={
        <>
          {label}{' '}
          <span className="font-mono text-[15px] whitespace-nowrap">
            {written(from)} → {written(to)}
          </span>
        </>
      }
      actions={
        <>
          {apply(`Apply: ${label} ${written(from)} to ${written(to)}`)}
          {onDecline && (
            <Button look="quiet" onClick={onDecline} aria-label={`Not for me: ${label}`}>
              Not for me
            </Button>
          )}
        </>
      }
    >
      {evidence}
    </NextStep>
  );
}
