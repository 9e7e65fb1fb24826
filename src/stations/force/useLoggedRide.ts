import { useState } from 'react';
import type { LoggedReport, LoggedRide } from '@/core/force/forceReport';
import type { BookView } from '@/book/model/bookView';
import { useAnswer } from './useAnswer';
import type { ForceReport } from '@/core/force/forceReport';
import type { ForceState } from './useForce';

export interface LoggedForce {
  /** The ride of the book that is judged; `null` for the one that is simulated now. */
  ride: LoggedRide | null;
  choose(ride: LoggedRide | null): void;
  report: LoggedReport | null;
  isBusy: boolean;
  fault: string | null;
}

/** A ride that lies in the book, simulated or taken in, as its force would be with the gain that is tried. */
export function useLoggedRide(view: BookView, force: ForceState): LoggedForce {
  const [ride, choose] = useState<LoggedRide | null>(null);
  const { answer, isBusy, fault } = useAnswer(force, ride?.id ?? '', async (worker) =>
    ride ? worker.logged(ride, force.facts, view.schools) : null,
  );
  return { ride, choose, report: ride && answer, isBusy, fault };
}

/** What is said of the ride that is chosen: a log says nothing of the torque, that stays as simulated. */
export function reportOn(report: ForceReport | null, logged: LoggedReport | null): ForceReport | null {
  if (!report || !logged) return report;
  return { ...report, gain: logged.gain, judgement: { ...report.judgement, ...logged.judgement } };
}
