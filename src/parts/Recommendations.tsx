'use client';

import { useState } from 'react';
import type { PedalProposal } from '@/core/axes/recommend';
import { changeAsked, proposalId } from '@/core/settings/proposal';
import { keyText } from '@/core/settings/setting';
import type { AxisView } from '@/book/model/axisView';
import type { BookView } from '@/book/model/bookView';
import { openOf } from '@/book/judge/road/axes';
import { decline } from '@/book/write/declined';
import { applyChange } from '@/book/write/settings';
import { Button } from '@/ui/Button';
import { ProposalStep } from './ProposalStep';
import { notifyReply } from './notifyReply';

/** Recommendations of an axis that the driver has not waved away, and what comes after so many of them. */
export function Recommendations({
  view,
  axis,
  recommendations = openOf(axis),
  after,
}: {
  view: Pick<BookView, 'menus' | 'known'>;
  axis: Pick<AxisView, 'axis' | 'recommendations' | 'declined' | 'values'>;
  recommendations?: PedalProposal[];
  after(shown: number): React.ReactNode;
}) {
  const [isBusy, setBusy] = useState(false);
  const apply = async (one: PedalProposal) => {
    setBusy(true);
    try {
      const value = axis.values[one.key.field];
      const settings = value === undefined ? {} : { [keyText(one.key)]: value };
      notifyReply(
        await applyChange(changeAsked(one, settings)),
        `${one.label} ${one.from} → ${one.to} is on the trail`,
      );
    } finally {
      setBusy(false);
    }
  };
  return (
    <>
      {recommendations.map((one) => (
        <ProposalStep
          key={one.parameter}
          proposal={one}
          view={view}
          onDecline={() => void decline(proposalId(one)).then((reply) => notifyReply(reply))}
          apply={(name) => (
            <Button look="next" disabled={isBusy} onClick={() => void apply(one)} aria-label={name}>
              Apply
            </Button>
          )}
        />
      ))}
      {after(recommendations.length)}
    </>
  );
}
