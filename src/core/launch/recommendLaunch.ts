import { mean, standardDeviation } from '../numeric/moments';
import { quantile } from '../numeric/order';
import { seededRandom } from '../numeric/random';
import type { CarSpec } from '../vehicle/carSpec';
import { radps, type DrivelineSpec } from '../vehicle/drivelineSpec';
import { pedalChain, type PedalSetup } from '../vehicle/pedalChain';
import { closedFormHold } from './closedFormHold';
import { EXACT, humanSlips, launchRun, type Launch } from './launchRun';

/** A hold, exactly and as a person launches with it. */
export interface HoldTried {
  hold: number;
  /** Without any noise, s. */
  exactS: number;
  t60Mean: number;
  t60Sd: number;
  /** What four launches in five are quicker than, s. */
  t60P80: number;
  /** Of the exact launch. */
  spinM: number;
  bog: number;
  clutchKj: number;
  /** Share of the launches in which the wheels ran away. */
  awayShare: number;
}

export interface LaunchAdvice {
  rpm: number;
  closedFormHold: number;
  exactBest: number;
  recommended: number;
  holds: HoldTried[];
  /** Clutch heat of the recommended hold at other engine speeds, and what four launches in five are quicker than. */
  overRpm: { rpm: number; t60P80: number; clutchKj: number }[];
}

const STEP = 0.01;
/** Holds that are looked at, in steps from the closed form. */
const BELOW = 6;
const ABOVE = 9;
/** From the exact best upwards so many holds can be recommended. */
const CANDIDATES = 4;
const CANDIDATES_LOOKED = 3;
/** Launches of a person for each hold: while looking for the engine speed, and once it is known. */
const LOOKS = 5;
const LAUNCHES = 12;
/** Further than so many steps from the exact best nobody sets a hold: the picture needs fewer launches there. */
const NEAR = 4;
const FAR_LAUNCHES = 4;
/** Engine speeds that are tried, as shares of the limit. */
const SHARES = [0.4, 0.52, 0.64, 0.76];
/** Time is flat over the engine speed and paid in clutch heat: the least one within this of the best is taken, s. */
const FLAT_S = 0.03;
/** Two holds within this tie: then the mean decides. */
const TIE_S = 0.005;
/** So many starts may run away. */
const MOST_AWAY = 0.1;
const P80 = 0.8;
/** About so much of the work is to look for the engine speed. */
const LOOKING = 0.45;

const round = (hold: number) => Math.round(hold / STEP) / Math.round(1 / STEP);

/**
 * The hold of a two-stage launch: at or above the exact best, where four launches in five of this driver are quickest. The
 * optimum is a cliff: a little less hold and the wheels run away to the engine's speed and stay there.
 * @param onProgress hears how far it is, 0…1
 * @param rpm engine speed that is held; by default the one that is quickest, or the lowest of those that are as quick
 */
export function recommendLaunch(
  car: CarSpec,
  spec: DrivelineSpec,
  throttle: PedalSetup,
  seed: number,
  rpm?: number,
  onProgress: (share: number) => void = () => undefined,
): LaunchAdvice {
  const closed = closedFormHold(car, spec);
  const pedal = pedalChain(throttle, seededRandom(seed * 7 + 1), 1000);
  const exactly = (hold: number, at: number) => launchRun(car, spec, pedal, hold, radps(at), EXACT);
  // The same slips for every hold and engine speed: what differs is theirs.
  const slips = (count: number) => {
    const random = seededRandom(seed * 7 + 2);
    return Array.from({ length: count }, () => humanSlips(random));
  };
  const humanly = (hold: number, at: number, count: number) =>
    slips(count).map((slip) => launchRun(car, spec, pedal, hold, radps(at), slip));
  const around = (middle: number, below: number, above: number) =>
    Array.from({ length: below + above + 1 }, (_, i) => round(round(middle) + (i - below) * STEP));
  const quickest = (holds: readonly number[], at: number) =>
    holds
      .map((hold) => ({ hold, t: exactly(hold, at).t60S }))
      .reduce((best, one) => (one.t < best.t ? one : best)).hold;

  const look = (at: number, holds: readonly number[]) => {
    const best = quickest(holds, at);
    const tried = around(best, 0, CANDIDATES_LOOKED - 1).map((hold) =>
      humanTried(hold, humanly(hold, at, LOOKS)),
    );
    return { at, best, chosen: safest(tried) };
  };
  let chosen = rpm;
  let overRpm: LaunchAdvice['overRpm'] = [];
  if (chosen === undefined) {
    const wide = around(closed, 3, BELOW);
    const looked = SHARES.map((share, i) => {
      onProgress((LOOKING * i) / SHARES.length);
      const at = 100 * Math.round((share * spec.engine.limitRpm) / 100);
      return look(at, wide);
    });
    const quick = Math.min(...looked.map((one) => one.chosen.t60P80));
    overRpm = looked.map(({ at, chosen: { t60P80, clutchKj } }) => ({ rpm: at, t60P80, clutchKj }));
    chosen = looked.find((one) => one.chosen.t60P80 <= quick + FLAT_S)!.at;
  }
  const at = chosen;
  const holds = around(closed, BELOW, ABOVE);
  const exact = holds.map((hold) => exactly(hold, at));
  const exactBest = holds[exact.reduce((best, run, i) => (run.t60S < exact[best]!.t60S ? i : best), 0)]!;
  const tried = holds.map((hold, i) => {
    onProgress(LOOKING + ((1 - LOOKING) * i) / holds.length);
    const { t60S, spinM, bog, clutchKj } = exact[i]!;
    const count = Math.abs(hold - exactBest) < (NEAR + 0.5) * STEP ? LAUNCHES : FAR_LAUNCHES;
    return { ...humanTried(hold, humanly(hold, at, count)), exactS: t60S, spinM, bog, clutchKj };
  });
  const candidates = tried.filter(({ hold }) => hold >= exactBest - STEP / 2).slice(0, CANDIDATES);
  return {
    rpm: at,
    closedFormHold: closed,
    exactBest,
    recommended: safest(candidates).hold,
    holds: tried,
    overRpm,
  };
}

type HumanTried = Pick<HoldTried, 'hold' | 't60Mean' | 't60Sd' | 't60P80' | 'awayShare' | 'clutchKj'>;

function humanTried(hold: number, runs: readonly Launch[]): HumanTried {
  const times = runs.map(({ t60S }) => t60S);
  return {
    hold,
    t60Mean: mean(times),
    t60Sd: standardDeviation(times),
    t60P80: quantile(Float64Array.from(times), P80),
    awayShare: runs.filter(({ ranAway }) => ranAway).length / runs.length,
    clutchKj: mean(runs.map((run) => run.clutchKj)),
  };
}

/** Never one that spins too often; among the others the quickest of four in five, then of the mean. */
function safest<T extends HumanTried>(tried: readonly T[]): T {
  const safe = tried.filter(({ awayShare }) => awayShare <= MOST_AWAY);
  return (safe.length > 0 ? safe : tried.slice(-1)).reduce((best, one) => {
    const gain = best.t60P80 - one.t60P80;
    return gain > TIE_S || (Math.abs(gain) <= TIE_S && one.t60Mean < best.t60Mean) ? one : best;
  });
}
