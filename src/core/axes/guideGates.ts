import type { GuideContext, Leader } from './guideState';
import type { CaptureStep } from './programme';
import { sayNothingMoves } from './guideStrokes';

/** A lever that stays in a gate (or out of it) this long is there; a shorter flicker is a bounce. */
const SETTLED_S = 0.12;

/** Each gate in turn: into it and out again. Readings are names, not amounts. */
export function gateLeader(): Leader {
  let reading: number | null = null;
  let since = 0;
  let engaged: number | null = null;
  const settle = (context: GuideContext, step: CaptureStep, t: number, raw: number) => {
    const { state } = context;
    if (raw !== state.restLevel) {
      if (engaged === null) engaged = raw;
      return;
    }
    if (engaged === null) return sayNothingMoves(context, t);
    const taken = state.gates.find((g) => g.reading === engaged && g.gate !== step.gate);
    const read = engaged;
    engaged = null;
    state.since = t;
    if (taken) return context.say({ kind: 'gate-taken', reading: read, gate: taken.gate });
    if (!state.gates.some((g) => g.gate === step.gate)) state.gates.push({ gate: step.gate!, reading: read });
    const { wanted } = step;
    const done = state.peaks.length + 1;
    context.count(t, read);
    if (done < wanted) context.say({ kind: 'gate-read', reading: read, done, wanted });
  };
  return {
    take(context, step, t, raw) {
      context.label(step.label);
      if (raw !== reading) {
        reading = raw;
        since = t;
      }
      if (t - since >= SETTLED_S) settle(context, step, t, raw);
    },
    drop() {
      engaged = null;
      reading = null;
    },
  };
}
