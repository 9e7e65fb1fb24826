import { MOST_BLIND_PAIRS } from '@/core/experiment/bettingScore';
import type { Dimension } from '@/core/experiment/pairedRatings';
import type { ExperimentPlan, Question, Way } from '@/core/experiment/plan';
import type { StretchKind } from '@/core/driving/stretch';
import type { MeasureName } from '@/core/rides/measures';
import type { AskableSetting } from '@/book/judge/askable';
import { jndPlan } from '@/book/judge/seatQuestion';

/** What was chosen of a question. */
export interface Chosen {
  setting: AskableSetting;
  sides: { a: number; b: number };
  all: AskableSetting[];
  searched: string[];
  ranges: Record<string, { min: number; max: number }>;
  way: Way;
  pairs: number;
  laps: number;
  stretch: StretchKind | null;
  named: MeasureName | '';
  dimension: Dimension | '';
}

/** The plan that was chosen. */
export function planOf(question: Question, chosen: Chosen): ExperimentPlan {
  const { setting, sides, all, searched, ranges, way, pairs, laps, stretch, named, dimension } = chosen;
  const short = stretch ? { stretch } : {};
  const rangeOf = ({ key, field: { min, max, step } }: AskableSetting) => ({
    key,
    min,
    max,
    step,
    ...ranges[key],
  });
  if (question === 'best')
    return {
      question,
      way: way === 'here' ? way : 'title',
      settings: searched.map((key) => rangeOf(all.find((one) => one.key === key)!)),
      seed: Math.floor(Math.random() * 0xffff_ffff),
      lapsPerRide: laps,
      ...short,
    };
  if (question === 'jnd') return jndPlan(setting, laps, stretch ?? undefined);
  if (question === 'explore')
    return {
      question,
      way: way === 'simulated' || way === 'here' ? way : 'title',
      setting: rangeOf(setting),
      back: setting.value,
      lapsPerRide: laps,
      ...short,
    };
  return {
    question,
    way,
    a: { [setting.key]: sides.a },
    b: { [setting.key]: sides.b },
    pairs: question === 'change' ? pairs : MOST_BLIND_PAIRS,
    lapsPerRide: laps,
    named: named === '' ? null : named,
    dimension: dimension === '' ? null : dimension,
    ...(question !== 'change' && short),
  };
}
