import { describeProblem } from '@/core/problem';
import { notify } from '@/ui/notices';
import type { Reply } from '@/book/write/reply';

/** Says what an action answered; true where it was done. */
export function notifyReply(reply: Reply, done?: string): boolean {
  if (reply.ok && done) notify(done);
  if (!reply.ok) notify(reply.problems.map(describeProblem).join(' '), 'fault');
  return reply.ok;
}
