import type { BalanceReport } from '../force/balance';
import type { CarGain } from '../force/carGains';
import type { ChainFacts } from '../force/chainOf';
import type { ClippingSchool } from '../force/bestGain';
import type { Smoothness } from '../force/detail';
import type { CalmReport } from '../force/forceAdvice';
import type { Proposal } from '../settings/proposal';
import type { ForceChain } from '../force/handsOff';
import type { JudgedForce } from '../force/judgeForce';
import type { OnCentre } from '../force/onCentre';
import type { SmoothPoint } from '../force/smoothing';

/** Everything that was measured of a combination's force, for causes to be judged by. */
export interface FeelFacts extends BalanceReport {
  facts: ChainFacts;
  chain: ForceChain;
  judged: Pick<JudgedForce, 'judgement' | 'signal' | 'sorted' | 'at'>;
  /** Whether the signal was logged and not simulated. */
  isLogged: boolean;
  calm: CalmReport;
  smooth: Smoothness;
  points: readonly SmoothPoint[];
  centre: OnCentre;
  cars: readonly CarGain[];
  clipping: ClippingSchool;
}

/** One change; it may be for another car of the title. */
export type FeelChange = Proposal & { carId?: string };

/** What the measures say of a cause. */
interface Judged {
  /** 0 rules it out, 1 settles it. */
  evidence: number;
  /** The figures that it rests on, as a sentence. */
  says: string;
  change?: FeelChange | null;
  /** Whether the figures are of a log and not of a simulated ride. */
  isLogged?: boolean;
  /** How much of it there is, in its own unit, where evidence is full long before the worst; less is better. */
  amount?: number;
}

export interface Cause {
  /** What it would be: "Smoothing takes the detail away". */
  name: string;
  /** Its change takes something away; it goes before one that adds. */
  takesAway: boolean;
  judge(facts: FeelFacts): Judged;
}

export type CauseVerdict = 'likely' | 'possible' | 'ruled out';

export interface FoundCause {
  name: string;
  verdict: CauseVerdict;
  evidence: number;
  says: string;
  /** Whether that is of a log and not of a simulated ride. */
  isLogged: boolean;
  change: FeelChange | null;
  /** What is to become less: the amount where there is one, else the evidence. */
  amount: number;
}

const LIKELY_FROM = 0.6;
const POSSIBLE_FROM = 0.2;
/** Evidence that differs by less than this is the same: then what takes away goes first. */
const SAME = 0.15;

function verdictOf(evidence: number): CauseVerdict {
  return evidence >= LIKELY_FROM ? 'likely' : evidence >= POSSIBLE_FROM ? 'possible' : 'ruled out';
}

/** Causes by their evidence, the strongest first; of two as strong the one that takes away. */
export function rankCauses(causes: readonly Cause[], facts: FeelFacts): FoundCause[] {
  return causes
    .map((cause) => ({ cause, judged: cause.judge(facts) }))
    .toSorted(
      (a, b) =>
        level(b.judged.evidence) - level(a.judged.evidence) ||
        Number(b.cause.takesAway) - Number(a.cause.takesAway) ||
        b.judged.evidence - a.judged.evidence,
    )
    .map(({ cause: { name }, judged: { evidence, says, change, amount, isLogged } }) => {
      const verdict = verdictOf(evidence);
      return {
        name,
        verdict,
        evidence,
        says,
        isLogged: isLogged ?? false,
        change: verdict === 'ruled out' ? null : (change ?? null),
        amount: amount ?? evidence,
      };
    });
}

/** Steps of evidence, so that the order is one (closeness alone is not transitive). */
const level = (evidence: number) => Math.round(evidence / SAME);

/** 0 up to `from`, 1 from `to` on, straight between. */
export function ramp(x: number, from: number, to: number): number {
  return Math.min(1, Math.max(0, (x - from) / (to - from)));
}
