import { percentTenths } from '../text/percent';
import { z } from 'zod';
import {
  AXIS_NAMES,
  AXIS_WORDS,
  isPedalAxis,
  restingLimb,
  strokeOf,
  type AxisName,
  type WorkedBy,
} from './axes';

/** What the final check asks of one axis, one thing at a time. */
export interface ProofItem {
  axis: AxisName;
  kind: 'rest' | 'full' | 'left-lock' | 'right-lock' | 'centre';
}

export interface ProofResult {
  item: ProofItem;
  passed: boolean;
  /** What the axis showed: share 0…1 for pedals, −1…1 of the lock for the steering (left positive), degrees at centre. */
  shown: number;
}

/** Results as they are signed and kept. */
export const proofResultsSchema = z
  .array(
    z.strictObject({
      item: z.strictObject({
        axis: z.enum(AXIS_NAMES),
        kind: z.enum(['rest', 'full', 'left-lock', 'right-lock', 'centre']),
      }),
      passed: z.boolean(),
      shown: z.number().min(-10_000).max(10_000),
    }),
  )
  .min(1)
  .max(40);

/** What the check reads of an axis: what the title sees of it, through calibration and settings. */
export interface ProofReading {
  /** Pedals 0…1; steering −1…1 from right lock to left lock. */
  value: number;
  /** Steering only: its angle, and how far from where it was measured its own friction may leave it: its return hysteresis. */
  degrees?: number;
  frictionDeg?: number;
}

const FULL = 0.995;
/** What a title writes as 0 %. */
const NONE = 0.005;
/** Share of the time that an axis at rest must show nothing. */
const QUIET_SHARE = 0.95;
const LOCK = 0.985;
/** Off centre by more than this, beyond what friction leaves, is a centring fault. */
const CENTRE_DEG = 3;
/** How long an axis has to show what is asked. */
const HELD_S: Record<ProofItem['kind'], number> = {
  rest: 1.2,
  // Longer than any spike, and seen even where a busy page looks ten times a second.
  full: 0.12,
  'left-lock': 0.3,
  'right-lock': 0.3,
  centre: 0.8,
};
/** An axis that stands still this long on something else shows that it will not come. */
const GIVES_UP_S = 2.5;
const STILL_SPREAD = 0.02;
/** Before a full press or a lock counts as tried, the axis must have gone this far. */
const TRIED = 0.4;
/** A press that let go again without showing 100 % was a try. */
const LET_GO = 0.2;
/** After a press that fell short this many must come, and as many others may fall short as {@link SHORT}. */
const CAME = 2;
const SHORT = 2;

export function proofItems(axes: readonly AxisName[]): ProofItem[] {
  return axes.flatMap((axis): ProofItem[] => {
    if (axis === 'steering')
      return (['centre', 'left-lock', 'right-lock'] as const).map((kind) => ({ axis, kind }));
    return isPedalAxis(axis) ? (['rest', 'full'] as const).map((kind) => ({ axis, kind })) : [];
  });
}

/**
 * Goes through the items by what the axes do: showing it long enough passes, standing still elsewhere fails. A full press
 * that falls short is what the saturation allows once in twenty: after it two must come before two more fall short.
 */
export function proofGuide(items: readonly ProofItem[]) {
  const results: ProofResult[] = [];
  let since: number | null = null;
  let startedAt: number | null = null;
  let best = 0;
  let window: { t: number; value: number }[] = [];
  /** What the last press that fell short showed; how many did, and how many came since the first. */
  let short: number | null = null;
  let shorts = 0;
  let came = 0;
  let mustLetGo = false;
  const again = () => {
    since = startedAt = null;
    best = 0;
    window = [];
  };
  const finish = (passed: boolean, shown: number) => {
    results.push({ item: items[results.length]!, passed, shown });
    again();
    short = null;
    shorts = came = 0;
    mustLetGo = false;
  };
  /** One press is over: more are asked for where the first fell short. */
  const pressed = (passed: boolean, shown: number) => {
    if (passed && short !== null) came++;
    if (!passed) shorts++;
    if (passed ? short === null || came >= CAME : shorts > SHORT) return finish(passed, shown);
    if (!passed) short = shown;
    mustLetGo = true;
    again();
  };
  const end = (kind: ProofItem['kind'], passed: boolean, shown: number) =>
    kind === 'full' ? pressed(passed, shown) : finish(passed, shown);
  return {
    results,
    current: (): ProofItem | null => items[results.length] ?? null,
    /** What the full press that is asked again showed, 0…1; `null` where none fell short. */
    short: () => short,
    /** Takes the readings of one moment. */
    feed(t: number, readings: Partial<Record<AxisName, ProofReading>>) {
      const item = items[results.length];
      const reading = item && readings[item.axis];
      if (!item || !reading) return;
      if (mustLetGo && reading.value > LET_GO) return;
      mustLetGo = false;
      startedAt ??= t;
      window.push({ t, value: reading.value });
      while (window.length > 0 && t - window[0]!.t > GIVES_UP_S) window.shift();
      const shown = item.kind === 'centre' ? (reading.degrees ?? 0) : reading.value;
      if (item.kind === 'rest' && hasRested(t)) return finish(true, shown);
      if (isShown(item.kind, reading)) {
        since ??= t;
        if (t - since >= HELD_S[item.kind]) end(item.kind, true, shown);
        return;
      }
      since = null;
      const towards = item.kind === 'right-lock' ? -reading.value : reading.value;
      best = Math.max(best, towards);
      if (hasFailed(item.kind, t - startedAt, towards))
        end(item.kind, false, item.kind === 'full' ? best : shown);
    },
    /** The driver says that it will not come. */
    giveUp() {
      const item = items[results.length];
      const last = window.at(-1)?.value ?? 0;
      if (item) finish(false, item.kind === 'full' ? Math.max(best, last) : last);
    },
  };

  /** At rest but for a flicker now and then. */
  function hasRested(t: number): boolean {
    const recent = window.filter((sample) => t - sample.t <= HELD_S.rest);
    const quiet = recent.filter(({ value }) => value < NONE).length;
    return t - startedAt! >= HELD_S.rest && quiet >= QUIET_SHARE * recent.length;
  }

  function hasFailed(kind: ProofItem['kind'], elapsedS: number, towards: number): boolean {
    if (kind === 'full' && best > TRIED && towards < LET_GO * best) return true;
    if (elapsedS < GIVES_UP_S) return false;
    const values = window.map((s) => s.value);
    const isStill = Math.max(...values) - Math.min(...values) < STILL_SPREAD;
    return isStill && (kind === 'rest' || kind === 'centre' || towards > TRIED);
  }
}

function isShown(kind: ProofItem['kind'], { value, degrees, frictionDeg = 0 }: ProofReading): boolean {
  switch (kind) {
    case 'rest':
      return value < NONE;
    case 'full':
      return value >= FULL;
    case 'left-lock':
      return value >= LOCK;
    case 'right-lock':
      return value <= -LOCK;
    case 'centre':
      return Math.abs(degrees ?? 180 * value) <= CENTRE_DEG + frictionDeg;
  }
}

/** The exact reason for an item that did not come. */
export function proofReason({ item, shown }: ProofResult, by: WorkedBy = 'feet'): string {
  const name = AXIS_WORDS[item.axis].replace(/^./, (c) => c.toUpperCase());
  const percent = percentTenths(Math.abs(shown));
  switch (item.kind) {
    case 'rest':
      return `${name} shows ${percent} under the ${restingLimb(item.axis, by)}, not 0: a greater dead zone is needed.`;
    case 'full':
      return `${name} shows ${percent} at your comfortable full ${strokeOf(item.axis, by)}, not 100 %: the saturation is too high.`;
    case 'left-lock':
    case 'right-lock':
      return `${name} shows ${percent} at the ${item.kind === 'left-lock' ? 'left' : 'right'} lock, not 100 %: measure it again.`;
    case 'centre':
      return `${name} stands at ${shown.toFixed(1)}° when let go, not at 0: centre the base, then measure again.`.replace(
        '-',
        '−',
      );
  }
}
