import type { Problem } from '@/core/problem';

/** What a server action answers: done, or what was wrong and what would be valid. */
export type Reply = { ok: true } | { ok: false; problems: Problem[] };

export const DONE: Reply = { ok: true };

export function refused(...problems: Problem[]): Reply {
  return { ok: false, problems };
}
