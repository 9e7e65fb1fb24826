'use client';

import { useState } from 'react';
import type { PedalProposal } from '@/core/axes/recommend';
import { changeAsked } from '@/core/settings/proposal';
import { keyText } from '@/core/settings/setting';
import type { AxisView } from '@/book/model/axisView';
import { applyChange } from '@/book/write/settings';
import { Button } from '@/ui/Button';
import { ProposalStep } from './ProposalStep';
import { told } from './told';

const idOf = ({ key, to }: PedalProposal) => `${keyText(key)}:${to}`;

/** Recommendations that the driver has not waved away, numbered; `after` continues the numbers. */
export function Recommendations({
  axis,
  recommendations = axis.recommendations,
  after,
}: {
  axis: Pick<AxisView, 'axis' | 'recommendations' | 'values'>;
  recommendations?: PedalProposal[];
  after(next: number, shown: number): React.ReactNode;
}) {
  const [declined, setDeclined] = useState<string[]>([]);
  const [isBusy, setBusy] = useState(false);
  const shown = recommendations.filter((one) => !declined.includes(idOf(one)));
  const apply = async (one: PedalProposal) => {
    setBusy(true);
    try {
      const value = axis.values[one.key.field];
      const settings = value === undefined ? {} : { [keyText(one.key)]: value };
      told(
        await applyChange(changeAsked(one, settings)),
        `${one.label} ${one.from} → ${one.to} is on the trail`,
      );
    } finally {
      setBusy(false);
    }
  };
  return (
    <>
      {shown.map((one, i) => (
        <ProposalStep
          key={one.parameter}
          number={i + 1}
          proposal={one}
          onDecline={() => setDeclined([...declined, idOf(one)])}
          apply={(name) => (
            <Button look="next" disabled={isBusy} onClick={() => void apply(one)} aria-label={name}>
              Apply
            </Button>
          )}
        />
      ))}
      {after(shown.length + 1, shown.length)}
    </>
  );
}
