import { seededRandom } from '../../numeric/random';
import {
  JND_PER_SIGMA,
  placeRide,
  toldBy,
  type FinderRide,
  type FinderSetting,
  type PlacedRide,
  type Told,
} from './answers';
import type { Belief, Believed } from './belief';
import { ENOUGH_EVIDENCE, evidenceOf } from './evidence';
import { believeOne } from './oneSetting';
import { believeSeveral } from './severalSettings';

type FinderState = 'searching' | 'found' | 'no preference';

/** Where the best of a setting lies, in its title's scale. */
export interface Best {
  /** On the title's grid. */
  value: number;
  /** 90 % interval, never narrower than one just noticeable difference to either side. */
  low: number;
  high: number;
}

export interface FinderAnswer {
  state: FinderState;
  /** What to ride next; `null` where the search is over. */
  next: Record<string, number> | null;
  best: Record<string, Best>;
  /** Just noticeable difference, in the title's scale. */
  jnd: Record<string, number>;
  /** Natural logarithm of the odds that the answers follow the settings; ln 20 carries a claim. */
  evidence: number;
  /** The next ride asks whether the answers follow the setting at all. */
  isCheck: boolean;
  /** Settings whose two kinds of answer point to different optima: what is preferred, and what is wished for. */
  apart: Record<string, { preferred: number; wished: number }>;
}

export const MOST_RIDES = 24;
const LEAST_RIDES = 4;
/** As narrow as this, of the range, an interval is worth a claim. */
const NARROW = 0.2;
/** A next ride lies within this of the last, of the range, or within the interval's width. */
const LOCAL = 0.3;
const CHECK = 0.3;
/** Places that are weighed for the next ride. */
const PLACES_ONE = 60;
const PLACES_SEVERAL = 60;

/**
 * The search for the best value by feel: both answers after every ride ("better than the one before?", "would you have more,
 * less, or is it right?"), the next ride where it tells most.
 * Measured over 1,000 drivers each: see docs/core.md, The finder.
 * @param seed of what is drawn: the same seed and rides give the same to the bit
 */
export function findBest(
  settings: readonly FinderSetting[],
  rides: readonly FinderRide[],
  seed: number,
): FinderAnswer {
  const placed = rides.map((ride) => placeRide(settings, ride));
  const told = toldBy(placed);
  const believe = (some: readonly Told[]) =>
    settings.length === 1 ? believeOne(some) : believeSeveral(some, settings.length, seed);
  const belief = believe(told);
  const evidence = evidenceOf(belief.logPredictive, told);
  const isNarrow = belief.settings.every(({ low, high }) => high - low <= NARROW);
  const isFound = isNarrow && evidence >= ENOUGH_EVIDENCE && rides.length >= LEAST_RIDES;
  const state = isFound ? 'found' : rides.length >= MOST_RIDES ? 'no preference' : 'searching';
  const apart = apartOf(settings, told, believe);
  const shown = settings.map((setting, k) => bestOf(setting, belief.settings[k]!, apart[setting.key]));
  const isCheck = state === 'searching' && isNarrow && placed.length > 0;
  const next =
    state !== 'searching'
      ? null
      : isCheck
        ? checkRide(settings, placed, belief.settings)
        : mostTelling(settings, placed, belief, seed);
  const by = <T>(of: (setting: FinderSetting, k: number) => T) =>
    Object.fromEntries(settings.map((setting, k) => [setting.key, of(setting, k)]));
  return {
    state,
    next: next && by((setting, k) => onGrid(setting, next[k]!)),
    best: by((_, k) => shown[k]!),
    jnd: by(({ min, max }, k) => belief.settings[k]!.sigma * JND_PER_SIGMA * (max - min)),
    evidence,
    isCheck,
    apart,
  };
}

/** The value of a setting's grid that is nearest to a share of its range. */
export function onGrid({ min, max, step }: FinderSetting, share: number): number {
  const steps = Math.min(
    Math.floor((max - min) / step + 1e-9),
    Math.max(0, Math.round((share * (max - min)) / step)),
  );
  return Number((min + steps * step).toFixed(DECIMALS));
}

/** No title writes more. */
const DECIMALS = 9;

function bestOf(
  setting: FinderSetting,
  { mean, low, high, sigma }: Believed,
  apart: { preferred: number } | undefined,
): Best {
  const { min, max } = setting;
  const value = apart?.preferred ?? onGrid(setting, mean);
  const jnd = sigma * JND_PER_SIGMA * (max - min);
  return {
    value,
    low: Math.max(min, Math.min(min + low * (max - min), value - jnd)),
    high: Math.min(max, Math.max(min + high * (max - min), value + jnd)),
  };
}

/** Preference and wishes, each believed by itself: told apart where their intervals do not meet. */
function apartOf(
  settings: readonly FinderSetting[],
  told: readonly Told[],
  believe: (told: readonly Told[]) => Belief,
): FinderAnswer['apart'] {
  const [better, wants] = [told.filter((t) => t.kind === 'better'), told.filter((t) => t.kind === 'want')];
  if (better.length < LEAST_RIDES - 1 || wants.length < LEAST_RIDES - 1) return {};
  const [preferred, wished] = [believe(better).settings, believe(wants).settings];
  const found = settings.flatMap((setting, k) => {
    const [p, w] = [preferred[k]!, wished[k]!];
    const jnd = ((p.sigma + w.sigma) / 2) * JND_PER_SIGMA;
    const isApart = Math.abs(p.mean - w.mean) > jnd && (p.low > w.high || w.low > p.high);
    return isApart
      ? [[setting.key, { preferred: onGrid(setting, p.mean), wished: onGrid(setting, w.mean) }] as const]
      : [];
  });
  return Object.fromEntries(found);
}

/** Once it is known well enough where the best would lie: far from it, and back, so that it shows whether it is felt at all. */
function checkRide(
  settings: readonly FinderSetting[],
  rides: readonly PlacedRide[],
  believed: readonly Believed[],
): number[] {
  const best = believed.map(({ mean }) => mean);
  const last = rides.at(-1)!.at;
  const isAway = (at: readonly number[], k: number) => Math.abs(at[k]! - best[k]!) > CHECK / 2;
  if (best.some((_, k) => isAway(last, k))) return best;
  // One setting after the other, each to the side where it was not checked last, if there is room.
  const checks = rides.filter(({ at }) => best.filter((_, k) => isAway(at, k)).length === 1);
  const k = checks.length % settings.length;
  const before = checks.findLast(({ at }) => isAway(at, k));
  const wanted = before && before.at[k]! > best[k]! ? -1 : 1;
  const side = best[k]! + wanted * CHECK > 1 || best[k]! + wanted * CHECK < 0 ? -wanted : wanted;
  return best.map((v, i) => (i === k ? Math.min(1, Math.max(0, v + side * CHECK)) : v));
}

function mostTelling(
  settings: readonly FinderSetting[],
  rides: readonly PlacedRide[],
  belief: Belief,
  seed: number,
): number[] {
  const last = rides.at(-1)?.at ?? null;
  const places =
    settings.length === 1 ? gridOf(settings[0]!) : drawnPlaces(settings, belief, last, seed + rides.length);
  const reach = belief.settings.map(({ low, high }) => Math.max(LOCAL, high - low));
  const finest = belief.settings.map(({ sigma }, k) => {
    const { min, max, step } = settings[k]!;
    return Math.max((sigma * JND_PER_SIGMA) / 2, (0.999 * step) / (max - min));
  });
  const isAllowed = (at: readonly number[]) =>
    last === null ||
    (at.every((v, k) => Math.abs(v - last[k]!) <= reach[k]! + 1e-9) &&
      at.some((v, k) => Math.abs(v - last[k]!) >= finest[k]!));
  const allowed = places.filter(isAllowed);
  let [chosen, most] = [null as number[] | null, -Infinity];
  for (const at of allowed.length > 0 ? allowed : places) {
    const told = belief.tells(at, last);
    if (told > most + 1e-12) [chosen, most] = [at, told];
  }
  return chosen!;
}

function gridOf({ min, max, step }: FinderSetting): number[][] {
  const steps = Math.floor((max - min) / step + 1e-9);
  const stride = Math.max(1, Math.ceil(steps / PLACES_ONE));
  const places = Array.from({ length: Math.floor(steps / stride) + 1 }, (_, i) => i * stride);
  return places.map((i) => [(i * step) / (max - min)]);
}

/** Places around the last ride, and the best as it is believed. */
function drawnPlaces(
  settings: readonly FinderSetting[],
  { settings: believed }: Belief,
  last: readonly number[] | null,
  seed: number,
): number[][] {
  const random = seededRandom(seed);
  const place = () =>
    settings.map((setting, k) => {
      const { low, high } = believed[k]!;
      const reach = Math.max(LOCAL, high - low);
      const [from, to] =
        last === null ? [0, 1] : [Math.max(0, last[k]! - reach), Math.min(1, last[k]! + reach)];
      const { min, max } = setting;
      return (onGrid(setting, from + (to - from) * random.uniform()) - min) / (max - min);
    });
  const best = settings.map((setting, k) => {
    const { min, max } = setting;
    return (onGrid(setting, believed[k]!.mean) - min) / (max - min);
  });
  return [best, ...Array.from({ length: PLACES_SEVERAL }, place)];
}
