import { median, quantile } from '../numeric/order';
import { fromCanonical, gridValue, toCanonical } from '../response/menuSchema';
import { chainOf, type ChainFacts } from './chainOf';
import { gainField } from './forceAdvice';
import type { LoggedCar } from './loggedCar';
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
  /** The same from a log, where there is one. */
  logged?: LoggedCar | null;
}

/** It leads, is alike, is off and can be set, is as near as the menu's steps allow, has no gain of its own, or nobody can tell. */
export type CarState = 'leads' | 'alike' | 'off' | 'nearest' | 'none' | 'unknown';

export interface CarGain {
  carId: string;
  name: string;
  /** What its force comes to with the gain in force: P99 in shares of full scale, median in corners in N·m; `null` where unknown. */
  peak: number | null;
  weightNm: number | null;
  /** Against the car that the others follow: 1 is alike; `null` where nobody can tell. */
  ratio: number | null;
  /** What the car that they follow comes to, read the same way. */
  against: number | null;
  /** What its figures are read from; a car is compared from logs where both have one. */
  from: 'log' | 'simulated';
  /** What would tell more, as a sentence. */
  lacks: string | null;
  state: CarState;
  /** The gain that makes it alike, where it is `off`. */
  advice: Proposal | null;
  /** The menu's number that would be needed where it ends before. */
  beyond: number | null;
}

/** Closer than this is alike: less is not felt from car to car. */
const ALIKE = 0.05;

/**
 * The gain of every car with which the force is as in the car that leads, on each menu's own grid and never rounded up. Like is
 * compared with like: two logs, else two simulated laps, and those only of cars whose full scale is known.
 * @param lead number of the car that the others follow
 */
export function carGains(cars: readonly CarRide[], lead: number, by: AlikeBy): CarGain[] {
  const own = cars[lead]!;
  const isLogged = ({ logged }: CarRide) => (logged?.[by] ?? null) !== null;
  const pairs = cars.some((car, i) => i !== lead && isLogged(car)) && isLogged(own);
  return cars.map((car, i) => {
    const { facts, logged } = car;
    const from: CarGain['from'] = pairs && isLogged(car) ? 'log' : 'simulated';
    const mine = figuresOf(car, from);
    const lacks = from === 'simulated' ? lacking(logged, by) : null;
    const [of, against] = [mine[KEY[by]], figuresOf(own, from)[KEY[by]]];
    const row = { carId: facts.car.id, name: facts.car.name, ...mine, against, from, lacks };
    const ends = { advice: null, beyond: null };
    if (i === lead) return { ...row, ratio: 1, state: 'leads', ...ends };
    if (of === null || against === null)
      return { ...row, ratio: null, state: 'unknown', ...ends, lacks: lacks ?? LOG_BOTH };
    const ratio = against > 0 ? of / against : 1;
    return { ...row, ratio, ...gainFor(facts, ratio, by, own.facts.car.name) };
  });
}

const KEY = { peak: 'peak', weight: 'weightNm' } as const;
const LOG_BOTH = 'A log of each car with its force would tell.';

const lacking = (logged: LoggedCar | null | undefined, by: AlikeBy) => logged?.lacks[by] ?? null;

/** What a car's force comes to as its settings are now. */
function figuresOf({ facts, force, logged }: CarRide, from: CarGain['from']) {
  const { title, base, hardware } = chainOf(facts);
  // A simulated lap would only tell the full scale that was assumed for it.
  const simulated = facts.car.scaleIsAssumed ? { peak: null, weight: null } : force;
  const { peak, weight } = from === 'log' ? logged! : simulated;
  return {
    peak: peak === null ? null : title.gain * peak,
    weightNm: weight === null ? null : title.gain * weight * base.strength * hardware.ratedNm,
  };
}

/** The car's own gain that brings a ratio to 1, or why it stays. */
function gainFor(facts: ChainFacts, ratio: number, by: AlikeBy, leader: string) {
  const found = gainField(facts);
  const is = (state: CarState) => ({ state, advice: null, beyond: null });
  if (Math.abs(ratio - 1) < ALIKE) return is('alike');
  if (!found || found.key.layer !== 'car' || ratio <= 0) return is('none');
  const canonical = found.canonical / ratio;
  const to = gridValue(found.field, canonical, 'atMost');
  const reached = toCanonical(found.field, to) / canonical;
  const beyond =
    reached < 1 + ALIKE && reached > 1 - 2 * ALIKE ? null : fromCanonical(found.field, canonical);
  const what = by === 'peak' ? 'The strong end of its force' : 'Its weight in corners';
  const evidence = `${what} is ${Math.round(100 * ratio)} % of the ${leader}’s; ${to} makes it ${Math.round(100 * reached)} %.`;
  const advice =
    to === found.value ? null : { key: found.key, label: found.field.label, from: found.value, to, evidence };
  return { state: advice ? ('off' as const) : ('nearest' as const), advice, beyond };
}
