import { median } from '../numeric/order';
import { seededRandom } from '../numeric/random';
import { secondsOf, type RimButton } from '../rig/rimButton';

/** Every button is asked for so often. */
const ROUNDS = 3;
/** The hands lie at rest so long before the next one is asked for, s; a little uneven, so that nobody waits for the beat. */
const REST_S = 1.2;
const REST_SPREAD_S = 0.8;
/** Whoever needs longer has looked away. */
const TOO_LONG_S = 8;

/** How long a reach capture takes, s, at what each button takes now. */
export const reachSeconds = (buttons: readonly RimButton[]): number =>
  ROUNDS * buttons.reduce((sum, button) => sum + REST_S + REST_SPREAD_S / 2 + secondsOf(button), 0);

/** What a reach capture is doing. */
export type ReachState =
  { kind: 'rest' } | { kind: 'press'; index: number; sinceS: number } | { kind: 'done' };

interface Try {
  index: number;
  seconds: number | null;
  hit: number[];
}

/**
 * A reach capture: rest the hands, press the button that is named, rest again. Each button is asked for three times in an order
 * that nobody knows; what is pressed in its place is a slip, and the button is still to be pressed.
 * @param seed makes the order
 */
export function reachRun(buttons: readonly RimButton[], seed: number) {
  const random = seededRandom(seed);
  const asked: number[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    const order = buttons.map(({ index }) => index);
    for (let i = order.length - 1; i > 0; i--) {
      const j = random.below(i + 1);
      [order[i], order[j]] = [order[j]!, order[i]!];
    }
    asked.push(...order);
  }
  const tries: Try[] = [];
  let at = 0;
  let restUntil: number | null = null;
  let state: ReachState = asked.length > 0 ? { kind: 'rest' } : { kind: 'done' };
  let hit: number[] = [];
  const goOn = (seconds: number | null) => {
    tries.push({ index: asked[at]!, seconds, hit });
    hit = [];
    at++;
    restUntil = null;
    state = at < asked.length ? { kind: 'rest' } : { kind: 'done' };
  };
  return {
    get state() {
      return state;
    },
    get progress() {
      return { done: at, of: asked.length };
    },
    /** Time goes on; s, from anywhere, never falling. */
    tick(t: number): void {
      if (state.kind === 'rest') {
        restUntil ??= t + REST_S + REST_SPREAD_S * random.uniform();
        if (t >= restUntil) state = { kind: 'press', index: asked[at]!, sinceS: t };
      } else if (state.kind === 'press' && t - state.sinceS > TOO_LONG_S) goOn(null);
    },
    /** A button was pressed at a time. */
    press(index: number, t: number): void {
      if (state.kind === 'rest') {
        // Pressed before it was asked for: the rest begins again.
        restUntil = null;
        return;
      }
      if (state.kind !== 'press') return;
      if (index === state.index) goOn(t - state.sinceS);
      else if (buttons.some((button) => button.index === index)) hit.push(index);
    },
    /** The device is gone: what is asked for is asked for again, after a rest. */
    interrupt(): void {
      if (state.kind === 'done') return;
      restUntil = null;
      hit = [];
      state = { kind: 'rest' };
    },
    /** What was measured: median seconds and slips of each button; one that was never reached keeps what it had. */
    result(): RimButton[] {
      return buttons.map((button) => {
        const own = tries.filter((one) => one.index === button.index);
        const times = own.flatMap(({ seconds, hit: slips }) =>
          seconds === null || slips.length > 0 ? [] : [seconds],
        );
        return {
          ...button,
          seconds: times.length > 0 ? median(times) : button.seconds,
          hitInstead: own.length > 0 ? own.flatMap((one) => one.hit) : button.hitInstead,
        };
      });
    },
  };
}
