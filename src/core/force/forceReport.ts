import type { LogReading } from './logReading';
import type { BalanceReport } from './balance';
import type { ChainFacts } from './chainOf';
import type { Smoothness } from './detail';
import type { CalmReport } from './forceAdvice';
import type { Proposal } from '../settings/proposal';
import type { ForceJudgement, SignalJudgement } from './judgeForce';
import type { OnCentre } from './onCentre';
import type { SmoothPoint } from './smoothing';
import type { SettingValues } from '../settings/setting';
import type { RidePlan } from '../vehicle/simulateRide';

/** What a ride says of the settings in force or tried. */
export interface ForceReport extends BalanceReport {
  judgement: ForceJudgement;
  /** The gain and the strength that the driver's schools would take. */
  gain: Proposal | null;
  weight: Proposal | null;
  notes: string[];
}

export interface StabilityReport {
  calm: CalmReport;
  advice: Proposal[];
}

/** What the base makes of the signal: detail against roughness, and the centre. */
export interface SmoothReport {
  smooth: Smoothness;
  points: SmoothPoint[];
  centre: OnCentre;
  advice: Proposal[];
}

/** Another car of the title, with what is set for it. */
export interface OtherCar {
  facts: ChainFacts;
  plan: RidePlan;
}

/** A ride that lies in the book, and what it was driven with. */
export interface LoggedRide {
  id: string;
  /** Whether it was driven here, and not logged elsewhere. */
  isSimulated: boolean;
  settings: SettingValues;
  /** Where its file is: whole, for a worker may have no address of its own to start from. */
  url: string;
}

/** A log of the book that stands in for a simulated lap of a car. */
export interface CarLogFile extends Pick<LoggedRide, 'settings' | 'url'> {
  carId: string;
}

export interface LoggedReport extends LogReading {
  judgement: SignalJudgement;
  gain: Proposal | null;
}

/** Settings heard one after the other over the same road. */
export interface HeardForce {
  sound: Float32Array<ArrayBuffer>;
  pieceS: number;
  isPair: boolean;
}
