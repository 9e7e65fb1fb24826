import type { LiveState, Stop } from '@/core/driving/liveDrive';

/** "1:57.32". */
export function lapTime(seconds: number, digits = 2): string {
  const minutes = Math.floor(seconds / 60);
  const rest = (seconds - 60 * minutes).toFixed(digits).padStart(digits > 0 ? digits + 3 : 2, '0');
  return `${minutes}:${rest}`;
}

const STOPPED: Record<Stop, { title: string; how: string }> = {
  gone: {
    title: 'The device was unplugged',
    how: 'The ride stands still, and is kept up to here. Plug it in again, and it goes on.',
  },
  hidden: { title: 'The ride stands still', how: 'This page was hidden.' },
  asked: { title: 'The ride stands still', how: 'Go on whenever you like.' },
};

/** What is said over the picture; `null` while it is driven. */
export function driveWords(
  { state, why, fault }: { state: LiveState; why: Stop | null; fault: string | null },
  { isGone, isStandIn }: { isGone: boolean; isStandIn: boolean },
): { title: string; how: string } | null {
  if (fault !== null) return { title: 'The ride broke off', how: `${fault}. Nothing of it was kept.` };
  if (isGone) return STOPPED.gone;
  if (state === 'stopped' && why) return STOPPED[why];
  if (state === 'waiting' && !isStandIn)
    return {
      title: 'Take your feet off the pedals',
      how: 'Then it begins: the throttle drives. Standing still, hold the brake to come back to the road, longer to end.',
    };
  return null;
}
