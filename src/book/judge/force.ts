import { chainOf, type ChainFacts } from '@/core/force/chainOf';
import { crashSpike } from '@/core/force/crashSpike';
import { heavier } from '@/core/force/heavier';
import { forceField, type ForceParameter } from '@/core/force/forceParameters';
import { deadControls } from '@/core/force/coupling';
import type { ForceReport, StabilityReport } from '@/core/force/forceReport';
import type { Layer, SettingValues } from '@/core/settings/setting';
import type { BookView } from '../model/bookView';
import { percent } from '@/core/text/percent';

/** What the chain is made of: car, base, title, and every setting in force. */
export function forceFactsOf(view: BookView): ChainFacts {
  return {
    car: view.car,
    rig: view.rig.spec,
    rateHz: view.title.forceHz,
    menus: view.menus,
    values: view.settings,
    rotationDeg: view.rotation.baseDeg,
  };
}

type Set = Pick<BookView, 'menus' | 'settings'>;

/** Controls that are set and can do nothing, by what they are called. */
export function deadNames({ menus, settings }: Set): string[] {
  const read = ({ layer, parameter }: { layer: Layer; parameter: ForceParameter }) =>
    forceField(menus, settings, layer, parameter);
  return deadControls((at) => read(at)?.canonical ?? null).map(({ dead }) => read(dead)!.field.label);
}

/** Clipping that is worth a word, as shares of the time. */
const MUCH = 0.02;
const MUCH_SUSTAINED = 0.002;

export const clipsTooMuch = (judged: { clipShare: number; sustainedShare: number }) =>
  judged.clipShare > MUCH || judged.sustainedShare > MUCH_SUSTAINED;

/** What is to be said of the force, most pressing first. */
export function forceFinding(
  view: BookView,
  report: ForceReport | null,
  stability: StabilityReport | null,
): string {
  const [dead] = deadNames(view);
  if (dead) return `${dead} does nothing: the base lets nothing of it through`;
  if (!report) return `The force of the ${view.names.car} on the ${view.names.rig}`;
  const { clipShare, headroomDb } = report.judgement;
  if (clipsTooMuch(report.judgement)) return `${percent(clipShare, 1)} of the ride is clipped`;
  const moving = [stability?.calm.fast, stability?.calm.roll].find(
    (one) => one?.verdict === 'saws' || one?.verdict === 'rings',
  );
  if (moving) return `Let go, the rim ${moving.verdict === 'saws' ? 'saws by itself' : 'rings'}`;
  if (headroomDb !== null && headroomDb > 1)
    return `Nothing clips, and ${headroomDb.toFixed(1)} dB lie unused`;
  return clipShare > 0 ? `Only the biggest hits clip: ${percent(clipShare, 1)} of the ride` : 'Nothing clips';
}

/** What is to be said before the rim gets heavier; `null` where it does not, or not by much. */
export function heavierCaution(view: BookView, values: SettingValues): string | null {
  return heavierIn(forceFactsOf(view), values);
}

/** The same for any car. */
export function heavierIn(facts: ChainFacts, values: SettingValues): string | null {
  const { ratio, peakNm, asks } = heavier(chainOf(facts), chainOf({ ...facts, values }));
  if (!asks) return null;
  const much = ratio > 1 ? `The same force comes ${ratio.toFixed(1)} times as strong` : 'The limit goes up';
  return `${much}, up to ${peakNm.toFixed(1)} N·m: both hands on, thumbs outside the spokes, stop button in reach.`;
}

/** What a crash can do with these settings: the title asks at once for all that it can. */
export function crashCaution(facts: ChainFacts): string | null {
  const { torqueNm, riseS, quarterS } = crashSpike(chainOf(facts));
  if (torqueNm <= 0) return null;
  const { diameterMm } = facts.rig.rim;
  const pull = diameterMm === null ? '' : ` (${((2000 * torqueNm) / diameterMm).toFixed(0)} N)`;
  const rise = riseS < 0.001 ? 'at once' : `within ${(1000 * riseS).toFixed(0)} ms`;
  const turn =
    quarterS === null
      ? 'let go, it does not turn a quarter in a second'
      : `let go, it turns a quarter in ${quarterS.toFixed(2)} s`;
  return `A crash can put up to ${torqueNm.toFixed(1)} N·m${pull} on the rim ${rise}; ${turn}.`;
}
