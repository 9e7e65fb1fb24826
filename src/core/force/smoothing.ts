import { percent } from '../text/percent';
import { gridCount, gridPoint } from '../response/menuSchema';
import { keyText } from '../settings/setting';
import { chainOf, type ChainFacts } from './chainOf';
import { smoothnessOf, type MeantSignal, type Smoothness } from './detail';
import type { Proposal } from '../settings/proposal';
import { forceField, type ForceField } from './forceParameters';

/** Raw and immediate, as smooth as the title meant it, or as quiet as it goes without losing detail. */
export type SmoothingSchool = 'raw' | 'smooth' | 'quiet';

/** What a setting of the base's smoothing makes of the signal. */
export interface SmoothPoint {
  /** Menu numbers; `null` where the base has no such setting. */
  interpolation: number | null;
  smoothing: number | null;
  detail: number;
  roughness: number;
  shakesNm: number;
}

/** Values of one setting that are tried: more would not be told apart in a picture. */
const MOST_TRIED = 11;
const MOST_INTERPOLATIONS = 4;

/** Every smoothing that the base offers (evenly thinned where there are many), over one ride. */
export function smoothPoints(meant: MeantSignal, facts: ChainFacts): SmoothPoint[] {
  const smoothing = forceField(facts.menus, facts.values, 'base', 'smoothing');
  const interpolation = forceField(facts.menus, facts.values, 'base', 'interpolation');
  return tried(interpolation, MOST_INTERPOLATIONS).flatMap((n) =>
    tried(smoothing, MOST_TRIED).flatMap((value) => {
      const values = { ...facts.values };
      if (interpolation && n !== null) values[keyText(interpolation.key)] = n;
      if (smoothing && value !== null) values[keyText(smoothing.key)] = value;
      const { detail, roughness, shakesNm } = smoothnessOf(meant, chainOf({ ...facts, values }));
      return detail === null || shakesNm === null
        ? []
        : [{ interpolation: n, smoothing: value, detail, roughness, shakesNm }];
    }),
  );
}

function tried(found: ForceField | null, most: number): (number | null)[] {
  if (!found) return [null];
  const count = gridCount(found.field);
  const steps = Math.min(most, count);
  return Array.from({ length: steps }, (_, i) =>
    gridPoint(found.field, steps === 1 ? 0 : Math.round((i * (count - 1)) / (steps - 1))),
  );
}

/** Points than which none is both smoother and richer, from smooth to rough: what is possible on this base. */
export function frontier(points: readonly SmoothPoint[]): SmoothPoint[] {
  let best = -Infinity;
  return points
    .toSorted((a, b) => a.roughness - b.roughness || b.detail - a.detail)
    .filter(({ detail }) => {
      const isBetter = detail > best;
      best = Math.max(best, detail);
      return isBetter;
    });
}

/** As smooth as it was meant, within what a hand can tell. */
const SMOOTH_ENOUGH = 1.25;
/** Smoothness is not bought with more detail than this share of what there is. */
const MOST_GIVEN_AWAY = 0.15;
/** Less smoothing is worth a word from this much more detail on. */
const WORTH_A_WORD = 0.02;

/** The least smoothing that a school takes, as one change; `null` where it stands there already or the base has none. */
export function smoothingAdvice(
  facts: ChainFacts,
  points: readonly SmoothPoint[],
  now: Smoothness,
  school: SmoothingSchool,
): Proposal | null {
  if (school === 'quiet') return quietAdvice(facts, points, now);
  const found = forceField(facts.menus, facts.values, 'base', 'smoothing');
  if (!found || now.detail === null) return null;
  // The interpolation stays as it is: one change at a time.
  const others = forceField(facts.menus, facts.values, 'base', 'interpolation')?.value ?? null;
  const line = points
    .filter(({ interpolation }) => interpolation === null || interpolation === others)
    .toSorted((a, b) => a.smoothing! - b.smoothing!);
  const raw = line[0];
  if (!raw) return null;
  const wanted = school === 'raw' ? raw : leastSmooth(line, raw.detail);
  if (!wanted || wanted.smoothing === found.value) return null;
  const isLess = wanted.smoothing! < found.value;
  // What already does no harm is left alone, and what would give nothing back.
  if (!isLess && now.roughness <= SMOOTH_ENOUGH) return null;
  if (isLess && school === 'smooth' && wanted.detail - now.detail < WORTH_A_WORD) return null;
  const told = `${wanted.smoothing} makes it ${wanted.roughness.toFixed(1)}`;
  const kept = `detail between 8 and 60 Hz ${percent(now.detail)} → ${percent(wanted.detail)}`;
  const evidence = isLess
    ? school === 'raw'
      ? `Raw, as you want it: ${kept}, roughness ${now.roughness.toFixed(1)} → ${wanted.roughness.toFixed(1)} times the title’s own.`
      : `More smoothing than it needs: ${kept}, and at ${wanted.roughness.toFixed(1)} times the title’s own roughness it stays smooth.`
    : `The force is ${now.roughness.toFixed(1)} times as rough as the title means it: it comes in steps of ${facts.rateHz} Hz. ${told}; ${kept}.`;
  return { key: found.key, label: found.field.label, from: found.value, to: wanted.smoothing!, evidence };
}

/** The first that is smooth enough and keeps its detail; else the smoothest that keeps it. */
function leastSmooth(line: readonly SmoothPoint[], most: number): SmoothPoint | null {
  const rich = line.filter(({ detail }) => detail >= most * (1 - MOST_GIVEN_AWAY));
  return rich.find(({ roughness }) => roughness <= SMOOTH_ENOUGH) ?? rich.at(-1) ?? null;
}

/** Of the detail that the base can pass on, so much less is the same to a hand. */
const SAME_DETAIL = 0.05;
/** Quieter by less is not heard. */
const HEARD = 0.1;

/** The one change of smoothing or interpolation that shakes least at the same detail; `null` where none is heard to be quieter. */
function quietAdvice(facts: ChainFacts, points: readonly SmoothPoint[], now: Smoothness): Proposal | null {
  const [smoothing, interpolation] = (['smoothing', 'interpolation'] as const).map((name) =>
    forceField(facts.menus, facts.values, 'base', name),
  );
  const { shakesNm, detail } = now;
  if (shakesNm === null || detail === null) return null;
  const most = Math.max(...points.map((point) => point.detail));
  const isSet = (found: ForceField | null | undefined, value: number | null) =>
    value === (found ? found.value : null);
  const [quietest] = points
    // One change at a time.
    .filter((point) => isSet(smoothing, point.smoothing) !== isSet(interpolation, point.interpolation))
    .filter((point) => point.detail >= (1 - SAME_DETAIL) * most && point.shakesNm <= (1 - HEARD) * shakesNm)
    .toSorted((a, b) => a.shakesNm - b.shakesNm);
  if (!quietest) return null;
  const found = isSet(smoothing, quietest.smoothing) ? interpolation! : smoothing!;
  const to = found === smoothing ? quietest.smoothing! : quietest.interpolation!;
  const evidence = `Quieter at the same detail: what shakes the stand (20 to 200 Hz) ${shakesNm.toPrecision(2)} → ${quietest.shakesNm.toPrecision(2)} N·m, detail between 8 and 60 Hz ${percent(detail)} → ${percent(quietest.detail)}.`;
  return { key: found.key, label: found.field.label, from: found.value, to, evidence };
}
