import { footPart, slopeAt, travelAt, type FootPart } from '@/core/drills/footPart';
import { drillOf, type DrillName } from '@/core/drills/measureDrill';
import { responseParameterOf } from '@/core/response/menuSchema';
import { respond } from '@/core/response/compose';
import { responseLayers } from '@/core/settings/menus';
import type { Proposal } from '@/core/settings/proposal';
import { keyOfText } from '@/core/settings/setting';
import { withDraft } from '@/core/settings/withDraft';
import { percent } from '@/core/text/percent';
import type { BookView } from '../model/bookView';
import { askableSettings } from './askable';

/** A curve that is steeper than this where the foot works is worth another one. */
const STEEP = 1.15;
/** Another value has to bring the slope so much nearer to a straight line. */
const WORTH = 0.1;

type Where = Pick<BookView, 'menus' | 'settings'>;

/** What the settings in force add to a foot's spread where it works. */
export function footOfDrill(
  { menus, settings }: Where,
  name: DrillName,
  work: number,
  value: number,
): FootPart | null {
  const foot = drillOf(name).foot;
  return foot ? footPart(responseLayers(menus, settings, foot.axis), work, value) : null;
}

/**
 * The one setting of the curve, and its value, that comes nearest to a straight line where this foot works; `null` where it is straight
 * enough, or no value of one setting is clearly nearer.
 * @param work output at which the foot works
 */
export function straighter(where: Where, axis: 'throttle' | 'brake', work: number): Proposal | null {
  const { menus, settings } = where;
  const now = responseLayers(menus, settings, axis);
  const slope = slopeAt(now, travelAt(now, work));
  if (slope < STEEP) return null;
  let best: { key: string; label: string; from: number; to: number; slope: number } | null = null;
  for (const one of askableSettings(where)) {
    if (keyOfText(one.key).axis !== axis || responseParameterOf(one.field.maps) !== 'curve') continue;
    const { min, max, step } = one.field;
    for (let i = 0; i <= Math.round((max - min) / step); i++) {
      const to = Number(Math.min(max, min + i * step).toFixed(9));
      const layers = responseLayers(menus, withDraft(settings, { [one.key]: to }), axis);
      const next = slopeAt(layers, travelAt(layers, work));
      if (respond(layers, 1) < respond(now, 1) - 1e-9) continue;
      if (!best || Math.abs(next - 1) < Math.abs(best.slope - 1) - 1e-9)
        best = { key: one.key, label: one.name, from: one.value, to, slope: next };
    }
  }
  if (!best || best.to === best.from || Math.abs(slope - 1) - Math.abs(best.slope - 1) < WORTH) return null;
  return {
    key: keyOfText(best.key),
    label: best.label,
    from: best.from,
    to: best.to,
    evidence: `Where your foot works (${percent(work)} of the ${axis}) the title hears ${slope.toFixed(1)} times what it moves; with this, ${best.slope.toFixed(1)} times.`,
  };
}
