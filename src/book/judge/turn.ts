import type { ExperimentView, ShownStep } from '../model/experimentView';

export type RideStep = Extract<ShownStep, { kind: 'ride' }>;
export type AnswerStep = Extract<ShownStep, { kind: 'answer' }>;

/** What a question under way waits for: the same at the desk, in the seat and while driving here. */
export type Turn =
  /** Something beside what it is about was changed: nothing is driven before it is put back. */
  | { waitsFor: 'settings put back'; keys: string[] }
  | { waitsFor: 'simulated ride'; step: RideStep; values: NonNullable<RideStep['values']> }
  | { waitsFor: 'ride here' | 'ride in the title'; step: RideStep }
  | { waitsFor: 'answer to a pair' | 'answer to a ride'; step: AnswerStep }
  | { waitsFor: 'nothing' };

export function turnOf({ step, asked, elsewhere }: ExperimentView): Turn {
  if (elsewhere.length > 0) return { waitsFor: 'settings put back', keys: elsewhere };
  if (step.kind === 'over') return { waitsFor: 'nothing' };
  if (step.kind === 'answer')
    return { waitsFor: step.ask === 'feel' ? 'answer to a ride' : 'answer to a pair', step };
  if (asked.way === 'simulated' && step.values)
    return { waitsFor: 'simulated ride', step, values: step.values };
  return { waitsFor: asked.way === 'here' ? 'ride here' : 'ride in the title', step };
}
