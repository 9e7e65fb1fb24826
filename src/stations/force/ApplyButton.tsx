'use client';

import { useState } from 'react';
import { Button } from '@/ui/Button';

interface Props {
  /** What is to be said before the rim gets much heavier; `null` where it does not. */
  caution: string | null;
  /** What it does, for who does not see where it stands. */
  name: string;
  /** Something newer is being worked out: what stands here may be old. */
  isBusy: boolean;
  look?: 'next' | 'plain';
  onApply(): void;
  /** Shows the caution elsewhere, where there is more room for it. */
  onSaid?(caution: string): void;
  children: React.ReactNode;
}

/** Applies a recommendation; where it makes the rim much heavier, says so first and is pressed again. */
export function ApplyButton({ caution, name, isBusy, look = 'next', onApply, onSaid, children }: Props) {
  const [said, setSaid] = useState<string | null>(null);
  const asks = caution !== null && said !== caution;
  const ask = (text: string) => {
    setSaid(text);
    onSaid?.(text);
  };
  return (
    <>
      <Button
        look={look}
        disabled={isBusy}
        aria-label={name}
        onClick={() => (asks ? ask(caution) : onApply())}
      >
        {caution !== null && !asks ? 'Hands ready: apply' : children}
      </Button>
      {caution !== null && !asks && !onSaid && (
        <span role="alert" className="mt-1 block basis-full text-sm text-rust">
          {caution}
        </span>
      )}
    </>
  );
}
