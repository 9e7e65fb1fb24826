import { ifAsUsual } from '@/core/force/chainOf';
import type { ForceReport, SmoothReport, StabilityReport } from '@/core/force/forceReport';
import { percent } from '@/core/text/percent';
import type { Panel } from '@/words/forcePanels';
import { RIM } from '@/words/rim';
import type { BookView } from '../model/bookView';
import { simulatedFinding } from './force';

/** What is known so far of the settings that are tried. */
export interface PanelFacts {
  report: ForceReport | null;
  stability: StabilityReport | null;
  smooth: SmoothReport | null;
}

/** The heading of the part of the force that is open; `null` while it is worked out. */
export function panelFinding(
  panel: Panel,
  view: BookView,
  { report, stability, smooth }: PanelFacts,
): string | null {
  const usual = ifAsUsual(view.rig.spec, view.car);
  switch (panel) {
    case 'strength':
      return simulatedFinding(view, report, stability);
    case 'balance':
      return report && `Friction swallows ${percent(report.judgement.lostShare)} of the driving${usual}`;
    case 'smooth':
      return (
        smooth &&
        `${smooth.smooth.detail === null ? 'No detail' : `${percent(smooth.smooth.detail)} of the detail`} reaches the rim, ${smooth.smooth.roughness.toFixed(1)} times as rough as it is meant`
      );
    case 'calm':
      return (
        stability &&
        `Let go at a slow roll, the rim ${RIM[stability.calm.roll.verdict]}; at speed it ${RIM[stability.calm.fast.verdict]}${usual}`
      );
    case 'cars':
      return `The cars of ${view.title.name}, by their force`;
    case 'listen':
      return 'What the force sounds like';
    case 'feels':
      return 'What does it feel like?';
  }
}
