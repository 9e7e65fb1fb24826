import type { LiveState, Stop } from '@/core/driving/liveDrive';
import { STRETCH_S, type StretchKind } from '@/core/driving/stretch';

/** "1:57.32". */
export function lapTime(seconds: number, digits = 2): string {
  const minutes = Math.floor(seconds / 60);
  const rest = (seconds - 60 * minutes).toFixed(digits).padStart(digits > 0 ? digits + 3 : 2, '0');
  return `${minutes}:${rest}`;
}

/** How one stands against an earlier lap. @param behindS negative where one is sooner; `null` where that is not known */
export function ghostWords(ghostS: number, behindS: number | null): string {
  const against = `the ghost’s ${lapTime(ghostS)}`;
  if (behindS === null) return `Against ${against}`;
  if (Math.abs(behindS) < 0.05) return `Level with ${against}`;
  return `${Math.abs(behindS).toFixed(1)} s ${behindS > 0 ? 'behind' : 'ahead of'} ${against}`;
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
  if (fault !== null) return { title: 'The ride broke off', how: `${fault}.` };
  if (isGone) return STOPPED.gone;
  if (state === 'stopped' && why) return STOPPED[why];
  if (state === 'waiting' && !isStandIn)
    return {
      title: 'Take your feet off the pedals',
      how: 'Then it begins: the throttle drives. Standing still, hold the brake to come back to the road, longer to end.',
    };
  return null;
}

const STRETCH_WORDS: Record<StretchKind, { name: string; how: string }> = {
  straight: { name: 'the straight', how: 'Off, then on the throttle as you always do, and again.' },
  bend: { name: 'the bend', how: 'Brake for the bend, and turn in.' },
  weave: { name: 'a weave', how: 'Keep the speed, and weave gently from side to side.' },
};

/** What a ride of a question is, and what to do in it. */
export function askedWords(
  { place, values }: { place: number; values: unknown },
  { lapsPerRide, stretch }: { lapsPerRide: number; stretch?: StretchKind | null | undefined },
): { title: string; how: string } {
  const which = `Ride ${place + 1}${values === null ? `: ${place % 2 === 0 ? 'the first' : 'the second'} of pair ${(place >> 1) + 1}` : ''}`;
  if (stretch) {
    const { name, how } = STRETCH_WORDS[stretch];
    return { title: which, how: `${STRETCH_S} seconds of ${name}. ${how}` };
  }
  return { title: which, how: lapsPerRide === 1 ? 'One lap.' : `${lapsPerRide} laps.` };
}

/** Where short rides can be driven, as a choice. */
export const STRETCH_CHOICES: Record<StretchKind, string> = {
  straight: `${STRETCH_S} s of a straight`,
  bend: `${STRETCH_S} s into a bend`,
  weave: `${STRETCH_S} s of a weave`,
};
