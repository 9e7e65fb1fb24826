import type { Problem } from '@/core/problem';
import type { Combination } from '@/core/settings/scope';

/** What a server action answers: done, or what was wrong and what would be valid. */
/** `opens` says which combination the asking browser has open from now on; `sealed` to a program what it loads, and to nobody else. */
export type Reply = { ok: true; opens?: Combination; sealed?: string } | { ok: false; problems: Problem[] };

export const DONE: Reply = { ok: true };

export function refused(...problems: Problem[]): Reply {
  return { ok: false, problems };
}
