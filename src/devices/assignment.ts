import { allReadings, isHatValue, samePlace, type Reading } from './readings';
import { holdTimer } from './holdTimer';
import { isTie, watchForMovement, type Mover } from './axisMovement';

type Place = Pick<Reading, 'device' | 'place'>;

const FULLY = 0.6;
const BACK = 0.15;
const BACK_MS = 400;
/** It began under a foot, or does not come back by itself: where it lies still for this long, it is left alone. */
const LEFT_MS = 2000;
const STILL = 0.02;

export interface Assignment {
  /** Share of its range that the biggest mover has passed over. */
  moved: number;
  /** Several moved about as far: only one of them is wanted. */
  isTie: boolean;
  /** The mover, once it has gone over most of its range and come back. */
  found: Mover | null;
}

/**
 * Finds an axis without any other input: it is moved fully and comes back, or is left alone where it then lies. Call
 * `look` on every frame.
 */
export function watchAssignment(taken: readonly Place[]) {
  const watch = watchForMovement(taken);
  const start = new Map<string, number>();
  const keyOf = ({ device, place }: Place) => `${device}/${JSON.stringify(place)}`;
  let backSince: number | null = null;
  let rest: { value: number; since: number } | null = null;
  return {
    look(nowMs: number): Assignment {
      const readings = allReadings();
      for (const reading of readings) {
        const key = keyOf(reading);
        if (!start.has(key)) start.set(key, reading.value);
      }
      const movers = watch.look();
      const [first] = movers;
      if (!first) return { moved: 0, isTie: false, found: null };
      const now = readings.find((r) => r.device === first.device && samePlace(r.place, first.place));
      const away = now ? Math.abs(now.value - start.get(keyOf(now))!) / (now.max - now.min) : 1;
      if (first.moved < FULLY || away > BACK) backSince = null;
      else backSince ??= nowMs;
      const strayed = now && rest ? Math.abs(now.value - rest.value) / (now.max - now.min) : 1;
      if (first.moved < FULLY || strayed > STILL) rest = now ? { value: now.value, since: nowMs } : null;
      const tie = isTie(movers);
      const isBack = backSince !== null && nowMs - backSince >= BACK_MS;
      const isLeft = rest !== null && nowMs - rest.since >= LEFT_MS;
      return { moved: first.moved, isTie: tie, found: (isBack || isLeft) && !tie ? first : null };
    },
  };
}

const HELD = 0.6;
const HELD_MS = 1000;

/**
 * Whether a place is held away from where it lies for a second; once per hold. For saying yes without a button.
 * @param released the reading with nothing touching it
 */
export function watchHold(place: Place, released: number, pressed: number) {
  const timer = holdTimer();
  let isSpent = false;
  return (nowMs: number): 'held' | 'holding' | null => {
    const now = allReadings().find((r) => r.device === place.device && samePlace(r.place, place.place));
    const share = now ? (now.value - released) / (pressed - released) : 0;
    if (share < HELD) {
      timer.off();
      isSpent = false;
      return null;
    }
    const heldMs = timer.on(nowMs);
    if (isSpent) return null;
    if (heldMs < HELD_MS) return 'holding';
    isSpent = true;
    return 'held';
  };
}

/**
 * Whether anything was held away from where it lay for a second and then let go: how the seat is entered from a page that
 * knows nothing of the device yet.
 */
export function watchAnyHold() {
  const start = new Map<string, { value: number; timer: ReturnType<typeof holdTimer> }>();
  return (nowMs: number): boolean => {
    for (const { device, place, value, min, max } of allReadings()) {
      if (isHatValue(value)) continue;
      const key = `${device}/${JSON.stringify(place)}`;
      const known = start.get(key);
      if (!known) {
        start.set(key, { value, timer: holdTimer() });
        continue;
      }
      const away = Math.abs(value - known.value) / (max - min);
      if (away >= (known.timer.isOn ? BACK : HELD)) known.timer.on(nowMs);
      else if (known.timer.off() >= HELD_MS) return true;
    }
    return false;
  };
}
