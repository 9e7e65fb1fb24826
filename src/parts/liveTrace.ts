import { bisect } from '@/core/numeric/bisect';
import { AXES } from '@/core/axes/axes';
import type { Draw } from '@/ui/LiveCanvas';
import type { CaptureSession } from '@/live/captureSession';

const SHOWN_S = 14;
const TOP = 12;
const BOTTOM = 12;
const STROKE = 2.5;

/** The last seconds of the axis as they come in: least and greatest reading per pixel column, repeats as ghosts. */
export function liveTrace(session: CaptureSession): Draw {
  return (context, width, height, colour) => {
    const { recorder, state } = session;
    const { zero, full } = scaleOf(session);
    const y = (value: number) =>
      height - BOTTOM - ((value - zero) / (full - zero)) * (height - TOP - BOTTOM - 10);

    context.strokeStyle = colour('line');
    context.lineWidth = 1;
    for (const share of [0, 0.25, 0.5, 0.75, 1]) line(context, width, y(zero + share * (full - zero)));
    context.setLineDash([4, 4]);
    context.strokeStyle = colour('muted');
    if (state.axis !== 'steering' && state.axis !== 'gear')
      for (const peak of state.peaks) line(context, width, y(zero + Math.sign(full - zero) * peak));
    if (state.axis === 'steering' && state.locks && state.restLevel !== null)
      for (const away of [state.locks.left, state.locks.right])
        line(context, width, y(state.restLevel + away));
    context.setLineDash([]);
    if (recorder.length < 2) return;
    const end = recorder.time(recorder.length - 1);
    const perSecond = width / SHOWN_S;
    // Bars from least to greatest per column, joined to the column before: far cheaper than one long stroke.
    context.fillStyle = colour(AXES[state.axis].ink);
    let column = -1;
    let low = 0;
    let high = 0;
    const bar = () => {
      const top = Math.min(y(low), y(high)) - STROKE / 2;
      context.fillRect(column, top, STROKE, Math.abs(y(high) - y(low)) + STROKE);
    };
    const axis = recorder.axes.indexOf(state.axis);
    let before: number | null = null;
    recorder.each(axis, firstAfter(recorder, end - SHOWN_S), (time, value) => {
      const x = Math.floor(width - (end - time) * perSecond);
      if (x !== column) {
        if (column >= 0) bar();
        column = x;
        low = high = before ?? value;
      }
      if (value < low) low = value;
      if (value > high) high = value;
      before = value;
    });
    bar();
    context.beginPath();
    context.arc(width - 5, y(recorder.value(axis, recorder.length - 1)), 5, 0, 2 * Math.PI);
    context.fill();
  };
}

/** Which counts lie at the bottom and the top of the picture. */
function scaleOf({ state, range, recorder }: CaptureSession): { zero: number; full: number } {
  if (state.axis === 'gear')
    return {
      zero: Math.min(0, range.min) - 0.5,
      full: Math.max(8, ...state.gates.map((g) => g.reading + 1)),
    };
  if (state.axis === 'steering') {
    // Left at the top, as the angle counts.
    const isLeftLow = state.locks ? state.locks.left < 0 : true;
    return isLeftLow ? { zero: range.max, full: range.min } : { zero: range.min, full: range.max };
  }
  const first = recorder.length > 0 ? recorder.value(0, 0) : range.min;
  const zero = state.restLevel ?? (first > (range.min + range.max) / 2 ? range.max : range.min);
  const isInverted = state.reach !== 0 ? state.reach < 0 : zero > (range.min + range.max) / 2;
  return { zero, full: state.reach !== 0 ? zero + state.reach : isInverted ? range.min : range.max };
}

function line(context: CanvasRenderingContext2D, width: number, at: number) {
  const y = Math.round(at) + 0.5;
  context.beginPath();
  context.moveTo(0, y);
  context.lineTo(width, y);
  context.stroke();
}

function firstAfter(recorder: CaptureSession['recorder'], time: number): number {
  return bisect(-1, recorder.length, (i) => recorder.time(i) >= time);
}
