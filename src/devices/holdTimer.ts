/** Whoever looks later than this after the last time did not see what was between. */
const LATE_MS = 400;

/** How long something is held on end, as far as it was looked at. */
export function holdTimer() {
  let since: number | null = null;
  let seen = 0;
  return {
    get isOn() {
      return since !== null;
    },
    /** It is held at this moment. @returns for how long, ms */
    on(nowMs: number): number {
      if (since === null || nowMs - seen > LATE_MS) since = nowMs;
      seen = nowMs;
      return nowMs - since;
    },
    /** It is not held any more. @returns for how long it was seen to be, ms */
    off(): number {
      const held = since === null ? 0 : seen - since;
      since = null;
      return held;
    },
  };
}
