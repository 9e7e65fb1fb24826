import { menuField } from '@/core/settings/menus';
import type { Proposal } from '@/core/settings/proposal';
import { keyText } from '@/core/settings/setting';
import { hardlyNoticed } from '@/book/judge/settingKnown';
import type { BookView } from '@/book/model/bookView';
import { termBeside } from '@/words/standardTerm';
import { Button } from '@/ui/Button';
import { NextStep } from '@/ui/StationPage';

/** A change that is proposed, as a numbered step: from where to where, the evidence, and what to do with it. */
export function ProposalStep({
  proposal: { key, label, from, to, evidence },
  view,
  written = String,
  apply,
  onDecline,
}: {
  proposal: Proposal;
  /** Where its field stands: the standard term is said beside a label that says something else. */
  view: Pick<BookView, 'menus' | 'known'>;
  /** How its menu writes a number. */
  written?(value: number): string;
  /** The button that applies it, given the name that it has to go by. */
  apply(name: string): React.ReactNode;
  /** Leaves it; not asked where there is nothing else to do. */
  onDecline?(): void;
}) {
  const field = menuField(view.menus, key);
  const term = field && termBeside(field);
  const noticed = hardlyNoticed(view, keyText(key), from, to);
  return (
    <NextStep
      title={
        <>
          {label}
          {term && <span className="text-[15px] font-normal text-muted"> ({term})</span>}{' '}
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
      {noticed && <span className="mt-2 block text-muted">{noticed}</span>}
    </NextStep>
  );
}
