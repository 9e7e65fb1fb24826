import { chainOf, ifAsUsual, isDescribed, type ChainFacts } from '@/core/force/chainOf';
import { crashSpike } from '@/core/force/crashSpike';
import { heavier } from '@/core/force/heavier';
import {
  forceField,
  isForceDescribed,
  isForceSetting,
  type ForceParameter,
} from '@/core/force/forceParameters';
import { couplingsOf, deadControls } from '@/core/force/coupling';
import type { HandsOff } from '@/core/force/handsOff';
import type { ForceReport, StabilityReport } from '@/core/force/forceReport';
import { assumedIn } from '@/core/rig/evidence';
import { changedBetween, type Layer, type SettingValues } from '@/core/settings/setting';
import type { BookView } from '../model/bookView';
import type { NewestRide } from '../model/rideView';
import type { Finding } from '../model/stationHealth';
import { calmBasis } from './basis';
import { percent } from '@/core/text/percent';

/** What the chain is made of: car, base, title, and every setting in force. */
export function forceFactsOf(
  view: Pick<BookView, 'car' | 'rig' | 'title' | 'menus' | 'settings' | 'rotation'>,
): ChainFacts {
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
  return deadControls((at) => read(at)?.canonical ?? null, couplingsOf(menus)).map(
    ({ dead }) => read(dead)!.field.label,
  );
}

/** Clipping that is worth a word, as shares of the time. */
const MUCH = 0.02;
const MUCH_SUSTAINED = 0.002;

export const clipsTooMuch = (judged: { clipShare: number; sustainedShare: number }) =>
  judged.clipShare > MUCH || judged.sustainedShare > MUCH_SUSTAINED;

/** How a let-go rim moves, as far as it is shown on the road. */
type RimMotion = Pick<HandsOff, 'verdict' | 'fromDeg'>;

/** What the force is judged by, for the road and the station alike. */
export type ForceFacts = Set &
  Pick<BookView, 'rig' | 'car'> & {
    /** Let go at a slow roll and at speed, as the settings in force make it. */
    motion: { roll: RimMotion; fast: RimMotion };
    newestRide: Pick<NewestRide, 'clipping' | 'settings' | 'importedFrom'> | null;
  };

/** A rim that a small push sets going is another thing than one that has to be let go far off centre. */
const SMALL_PUSH_DEG = 5;

/** Settings of the force that differ between two sets. */
const forceChanged = (before: SettingValues, after: SettingValues) =>
  changedBetween(before, after).filter(isForceSetting);

/** A title of which nobody described the force: no figure of it is shown anywhere. */
const FORCE_UNKNOWN: Finding = {
  health: 'untouched',
  reason: 'Force not described',
  heading: 'Nothing is known yet of the force of this title',
};

/** What is to be said of the force, danger before everything. A figure of the base that is assumed leaves it open. */
export function forceFinding(facts: ForceFacts): Finding {
  if (!isForceDescribed(facts.menus)) return FORCE_UNKNOWN;
  const { motion, newestRide, settings, rig } = facts;
  const moving = (['saws', 'rings'] as const).flatMap((verdict) =>
    [motion.roll, motion.fast].filter((one) => one.verdict === verdict),
  );
  const [worst] = moving;
  const from = worst && worst.fromDeg > SMALL_PUSH_DEG ? 'Let go far off centre' : 'Let go';
  const [dead] = deadNames(facts);
  const usual = ifAsUsual(rig.spec, facts.car);
  const isKnown = isDescribed(rig.spec) && !facts.car.scaleIsAssumed;
  // A damper that does nothing is often why it saws: both are said at once.
  if (isKnown && worst?.verdict === 'saws')
    return {
      health: 'look',
      reason: dead ? `Rim saws; ${dead} does nothing` : `${from}, the rim saws`,
      heading: `${from}, the rim saws by itself${usual}${dead ? `, and ${dead} does nothing` : ''}`,
    };
  if (dead)
    return {
      health: 'look',
      reason: `${dead} does nothing`,
      heading: `${dead} does nothing: the base lets nothing of it through`,
    };
  // A simulated ride says nothing of a scale that nobody gave; a log does.
  const isJudged = newestRide && (!facts.car.scaleIsAssumed || newestRide.importedFrom !== null);
  const judged =
    isJudged && forceChanged(newestRide.settings, settings).length === 0 ? newestRide.clipping : null;
  const clipped = judged && percent(judged.clipShare, 1);
  if (judged && clipsTooMuch(judged))
    return {
      health: 'look',
      reason: `${clipped} of the last ride clipped`,
      heading: `${clipped} of the last ride is clipped`,
    };
  if (worst && isKnown)
    return { health: 'look', reason: `${from}, the rim rings`, heading: `${from}, the rim rings${usual}` };
  // Of a base that nobody described nothing is known that could alarm.
  if (worst)
    return {
      health: 'under-way',
      reason: isDescribed(rig.spec)
        ? `A usual car’s force ${worst.verdict} here`
        : `Base not written down; a usual one ${worst.verdict}`,
      heading: `${from}, the rim ${worst.verdict === 'saws' ? 'saws by itself' : 'rings'}${usual}`,
    };
  if (!judged)
    return newestRide?.clipping
      ? {
          health: 'under-way',
          reason: 'Changed since the last ride',
          heading: 'No ride yet with the force as it is set',
        }
      : {
          health: 'untouched',
          reason: 'No ride judged yet',
          heading: 'No ride has been judged for its force yet',
        };
  const said = judged.clipShare > 0 ? `Only the biggest hits clip, ${clipped}` : 'Nothing clipped last time';
  const brief = judged.clipShare > 0 ? `${clipped} clipped` : 'Nothing clipped';
  if (judged.headroomDb !== null && judged.headroomDb > UNUSED_DB) {
    const unused = `${judged.headroomDb.toFixed(1)} dB of headroom lie unused`;
    return { health: 'under-way', reason: unused, heading: unused };
  }
  const assumed = assumedIn(calmBasis(rig.spec));
  return assumed.length > 0
    ? {
        health: 'under-way',
        reason: `${brief}; base not measured`,
        heading: `${said}, and the rim is calm as far as the base is known`,
      }
    : { health: 'settled', reason: said, heading: `${said}, and the rim is calm` };
}

/** More than this over all but the highest thousandth is a gain that could be higher. */
const UNUSED_DB = 1;

/** What the simulated ride adds while a setting is tried, or before a ride has been judged. */
export function simulatedFinding(
  view: BookView,
  report: ForceReport | null,
  stability: StabilityReport | null,
): string {
  if (stability) {
    const { roll, fast } = stability.calm;
    const found = forceFinding({ ...view, motion: { roll, fast }, newestRide: null });
    if (found.health !== 'untouched') return found.heading;
  }
  const [dead] = deadNames(view);
  if (dead) return `${dead} does nothing: the base lets nothing of it through`;
  if (!report) return `The force of the ${view.names.car} on the ${view.names.rig}`;
  const { clipShare, headroomDb } = report.judgement;
  if (view.car.scaleIsAssumed)
    return `How strong the force of the ${view.names.car} is here, nobody has said`;
  if (clipsTooMuch(report.judgement)) return `Simulated, ${percent(clipShare, 1)} of the ride is clipped`;
  if (headroomDb !== null && headroomDb > UNUSED_DB)
    return `Simulated, nothing clips, and ${headroomDb.toFixed(1)} dB lie unused`;
  return clipShare > 0
    ? `Simulated, only the biggest hits clip: ${percent(clipShare, 1)} of the ride`
    : 'Simulated, nothing clips';
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
