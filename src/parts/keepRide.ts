import type { RideLog } from '@/core/rides/rideLog';
import { describeProblem, type Problem } from '@/core/problem';
import type { SettingValues } from '@/core/settings/setting';
import { sendColumns } from '@/workers/sendColumns';

/** Keeps a ride in the book; gives what it is called there, throws why not. */
export async function keepRide(
  log: RideLog,
  head: { trackId: string; seed: number; settings: SettingValues; isAsked: boolean },
): Promise<string> {
  const columns = log.columns as Record<string, Float64Array>;
  const answer = await sendColumns('/api/rides', { head: { ...head, notes: log.notes }, columns });
  const reply = answer.reply as { ok: boolean; id?: string; problems?: Problem[] };
  if (!reply.ok) throw new Error((reply.problems ?? []).map(describeProblem).join(' '));
  return reply.id!;
}
