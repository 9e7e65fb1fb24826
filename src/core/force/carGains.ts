import { median, quantile } from '../numeric/order';
import { fromCanonical, gridValue, toCanonical } from '../response/dialect';
import { chainOf, type ChainFacts } from './chainOf';
import { gainField } from './forceAdvice';
import type { Proposal } from '../settings/proposal';
import type { ForceInputs } from './forceInputs';
import { corneringFrom } from './judgeForce';
import { titleSignal } from './titleSignal';

/** What is to be the same in every car: the strong end of the force, or the weight in corners. */
export type AlikeBy = 'peak' | 'weight';

/** What a car's own ride asks of a title at a gain of 1, in shares of full scale. */
export interface CarForce {
  /** P99 of |Σ|. */
  peak: number;
  /** Median |Σ| in corners. */
  weight: number;
}

/** The force of a car over a ride of its own. */
export function carForce(inputs: ForceInputs, facts: ChainFacts, seed: number): CarForce {
  const { sum } = titleSignal(inputs, facts.car, chainOf(facts).title, seed);
  const level = sum.map(Math.abs);
  const corner = corneringFrom(inputs.lateralMps2);
  const inCorners = level.filter((_, i) => Math.abs(inputs.lateralMps2[i]!) > corner);
  return {
    peak: level.length === 0 ? 0 : quantile(level, 0.99),
    weight: inCorners.length === 0 ? 0 : median(inCorners),
  };
}

/** A car of the title with what is set for it. */
export interface CarRide {
  facts: ChainFacts;
  force: CarForce;
}

/** It leads, is alike, is off and can be set, is as near as the menu's steps allow, or has no gain of its own. */
export type CarState = 'leads' | 'alike' | 'off' | 'nearest' | 'none';

export interface CarGain {
  carId: string;
  name: string;
  /** What its force comes to with the gain in force: P99 in shares of full scale, median in corners in N·m. */
  peak: number;
  weightNm: number;
  /** Against the car that the others follow: 1 is alike. */
  ratio: number;
  state: CarState;
  /** The gain that makes it alike, where it is `off`. */
  advice: Proposal | null;
  /** The menu's number that would be needed where it ends before. */
  beyond: number | null;
}

/** Closer than this is alike: less is not felt from car to car. */
const ALIKE = 0.05;

/**
 * The gain of every car with which the force is as in the car that leads, on each menu's own grid and never rounded up.
 * @param lead number of the car that the others follow
 */
export function carGains(cars: readonly CarRide[], lead: number, by: AlikeBy): CarGain[] {
  const figures = cars.map(({ facts, force }) => {
    const chain = chainOf(facts);
    const { strength } = chain.base;
    return {
      chain,
      peak: chain.title.gain * force.peak,
      weightNm: chain.title.gain * force.weight * strength * chain.hardware.ratedNm,
    };
  });
  const of = (i: number) => (by === 'peak' ? figures[i]!.peak : figures[i]!.weightNm);
  const wanted = of(lead);
  return cars.map(({ facts }, i) => {
    const { peak, weightNm } = figures[i]!;
    const ratio = wanted > 0 ? of(i) / wanted : 1;
    const row = { carId: facts.car.id, name: facts.car.name, peak, weightNm, ratio };
    const found = gainField(facts);
    const is = (state: CarState) => ({ ...row, state, advice: null, beyond: null });
    if (i === lead) return is('leads');
    if (Math.abs(ratio - 1) < ALIKE) return is('alike');
    if (!found || found.key.layer !== 'car' || ratio <= 0) return is('none');
    const canonical = found.canonical / ratio;
    const to = gridValue(found.field, canonical, 'atMost');
    const reached = toCanonical(found.field, to) / canonical;
    const beyond =
      reached < 1 + ALIKE && reached > 1 - 2 * ALIKE ? null : fromCanonical(found.field, canonical);
    const what = by === 'peak' ? 'The strong end of its force' : 'Its weight in corners';
    const evidence = `${what} is ${Math.round(100 * ratio)} % of the ${cars[lead]!.facts.car.name}’s; ${to} makes it ${Math.round(100 * reached)} %.`;
    const advice =
      to === found.value
        ? null
        : { key: found.key, label: found.field.label, from: found.value, to, evidence };
    return { ...row, state: advice ? 'off' : 'nearest', advice, beyond };
  });
}
