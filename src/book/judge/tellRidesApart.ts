import type { Comparison } from '@/core/experiment/compareRides';
import { tellApart } from '@/core/experiment/tellApart';
import { mean } from '@/core/numeric/moments';
import { countedValues, type MeasuredLap } from '@/core/rides/measureRide';
import { MEASURES } from '@/core/rides/measures';
import { isSameRoad, type Road } from '@/core/rides/road';
import { changedBetween, sameValue, type SettingValues } from '@/core/settings/setting';
import { SENTENCES } from '@/words/verdictSentences';
import type { RidesToldApart } from '../model/pair';

interface Driven {
  id: string;
  road: Road;
  settings: SettingValues;
  measures: { laps: readonly MeasuredLap[] };
}

/**
 * @param changed settings that differ between A and B, two or more
 * @param comparisons what A and B show; the surest of them is what is followed
 * @returns `null` where nothing differs that could be told apart
 */
export function tellRidesApart(
  a: Driven,
  b: Driven,
  others: readonly Driven[],
  changed: readonly string[],
  comparisons: readonly Comparison[],
): RidesToldApart | null {
  const shown = comparisons.filter(({ verdict }) => verdict === 'differs');
  if (changed.length < 2 || shown.length === 0) return null;
  const surest = shown.reduce((x, y) => (y.pClaim < x.pClaim ? y : x));
  const measure = MEASURES.find(({ name }) => name === surest.name)!;
  const valueOf = (ride: Driven) => {
    const values = countedValues(ride.measures.laps, measure);
    return values.length > 0 ? { value: mean(values), laps: values.length } : null;
  };
  const rides = others.flatMap((ride) => {
    if (ride.id === a.id || ride.id === b.id || !isSameRoad(ride.road, b.road)) return [];
    const apart = changedBetween(ride.settings, b.settings);
    const isPutBack = apart.every(
      (key) => changed.includes(key) && sameValue(ride.settings[key], a.settings[key]),
    );
    const measured = valueOf(ride);
    if (!isPutBack || apart.length === 0 || apart.length === changed.length || !measured) return [];
    return [{ putBack: apart.map((key) => changed.indexOf(key)), value: measured.value }];
  });
  // Of one ride a side se² is σ²·2(1/m + ρ): twice the variance of one ride's mean.
  const rideSd = Math.max(surest.se / Math.SQRT2, Math.abs(surest.difference) * LEAST_SD);
  const told = tellApart(changed.length, rides, { before: surest.meanA, after: surest.meanB, rideSd });
  return {
    label: measure.label,
    shares: changed.map((key, i) => ({ key, share: told.share[i]! })),
    found: told.found === null ? null : changed[told.found]!,
    next: told.next && told.next.map((i) => changed[i]!),
    isHard: told.isHard,
    rides: rides.length,
  };
}

/** A measure that never spreads would be sure at once: it is taken to spread by this share of what it changed. */
const LEAST_SD = 0.02;

/** What is said of several changes and one difference. @param nameOf settings as they are called together */
export function apartText(
  { found, next, label, isHard }: Pick<RidesToldApart, 'found' | 'next' | 'label' | 'isHard'>,
  nameOf: (keys: string[]) => string,
): string[] {
  return [
    found ? SENTENCES.apartFound(nameOf([found]), label) : SENTENCES.apartNext(nameOf(next ?? []), label),
    ...(isHard ? [SENTENCES.apartHard()] : []),
  ];
}
