import { bisect } from '@/core/numeric/bisect';
import type { Draw } from '@/ui/LiveCanvas';
import type { SpinSession } from '@/live/spinSession';

const SHOWN_S = 12;
const STEP_DEG = 90;
const LEAST_DEG = 180;

/** The wheel's angle over the last seconds, left at the top; what counts is drawn strong. */
export function spinTrace({ recorder, guide, countsPerDegree }: SpinSession): Draw {
  return (context, width, height, colour) => {
    const end = recorder.length > 0 ? recorder.time(recorder.length - 1) : 0;
    const from = bisect(-1, recorder.length, (i) => recorder.time(i) >= end - SHOWN_S);
    const centre = guide.centre() ?? (recorder.length > 0 ? recorder.value(0, 0) : 0);
    const angle = (raw: number) => (raw - centre) / countsPerDegree;
    let most = LEAST_DEG;
    recorder.each(0, from, (_, raw) => (most = Math.max(most, Math.abs(angle(raw)))));
    const y = (degrees: number) => height / 2 - (degrees / most) * (height / 2 - 10);
    context.lineWidth = 1;
    for (let at = 0; at <= most; at += STEP_DEG)
      for (const degrees of at === 0 ? [0] : [at, -at]) {
        context.strokeStyle = colour(at === 0 ? 'muted' : 'line');
        context.beginPath();
        context.moveTo(0, Math.round(y(degrees)) + 0.5);
        context.lineTo(width, Math.round(y(degrees)) + 0.5);
        context.stroke();
      }
    const counted = guide.state.runs.filter(({ label, to }) => label !== 'idle' && to > from);
    context.strokeStyle = colour('steering');
    let run = 0;
    let [x0, y0] = [-1, 0];
    let i = from;
    recorder.each(0, from, (t, raw) => {
      while (run < counted.length && counted[run]!.to <= i) run++;
      const isCounted = run < counted.length && counted[run]!.from <= i;
      const [x1, y1] = [width - ((end - t) * width) / SHOWN_S, y(angle(raw))];
      i++;
      if (x0 >= 0 && x1 - x0 < 0.5) return;
      if (x0 >= 0) {
        context.lineWidth = isCounted ? 4 : 1.5;
        context.beginPath();
        context.moveTo(x0, y0);
        context.lineTo(x1, y1);
        context.stroke();
      }
      [x0, y0] = [x1, y1];
    });
  };
}
