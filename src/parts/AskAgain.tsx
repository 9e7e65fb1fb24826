'use client';

import { askAgain } from '@/book/write/declined';
import { Button } from '@/ui/Button';
import { notifyReply } from './notifyReply';

/** What was said to be not for this driver, and the way back. */
export function AskAgain({ declined }: { declined: readonly string[] }) {
  if (declined.length === 0) return null;
  const what = declined.length === 1 ? 'One proposal is' : `${declined.length} proposals are`;
  return (
    <p className="flex flex-wrap items-center justify-between gap-x-3 py-2 text-sm text-muted">
      {what} not for you.
      <Button
        look="quiet"
        onClick={() => void askAgain().then((reply) => notifyReply(reply, 'They are proposed again'))}
      >
        Propose again
      </Button>
    </p>
  );
}
