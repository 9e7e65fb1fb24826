'use client';

import { useEffect, useRef } from 'react';
import { clippedTravel } from '@/core/axes/calibration';
import { AXES, AXIS_WORDS, type AxisName } from '@/core/axes/axes';
import { steeringDegrees } from '@/core/axes/steeringAngle';
import { LiveCanvas, type Draw } from '@/ui/LiveCanvas';
import type { AxisView } from '@/book/model/axisView';
import { capital } from '@/words/format';
import { endReplay, latestRaw, useLiveRig } from '@/live/liveRig';

const TEXT_EVERY_MS = 120;
/** A bar is 64 pixels wide; finer movement than a quarter pixel is not seen. */
const DRAWN_STEPS = 256;
const BAR_Y = 4;
const BAR_HEIGHT = 6;
/** What an unmeasured wheel is taken to turn. */
const ASSUMED_DEG = 900;

type Shown = Pick<AxisView, 'axis' | 'capture'>;

/** Where a bar stands, 0…1, what is written over it, and whether that is measured; `null` without a reading. */
function readBar({ axis, capture }: Shown, isSequential: boolean): { share: number; text: string } | null {
  const raw = latestRaw[axis];
  const { source, state } = useLiveRig.getState();
  const range = source?.info.ranges[axis];
  if (raw === undefined || !range || state !== 'live') return null;
  const share = (raw - range.min) / (range.max - range.min);
  const analysis = capture?.analysis;
  if (axis === 'gear') return { share, text: gearText(raw, isSequential) };
  if (analysis?.axis === 'steering') {
    const degrees = steeringDegrees(analysis, raw);
    const lock = (analysis.rotationDeg ?? ASSUMED_DEG) / 2;
    return { share: 0.5 - degrees / (2 * lock), text: `${Math.round(degrees)}°` };
  }
  if (axis === 'steering') return { share, text: `~${Math.round((0.5 - share) * ASSUMED_DEG)}°` };
  if (analysis && 'calibration' in analysis) {
    const travel = clippedTravel(analysis.calibration, raw);
    return { share: travel, text: String(Math.round(100 * travel)) };
  }
  // An axis that was never measured shows its raw reading, marked with ~.
  return { share, text: `~${Math.round(100 * share)}` };
}

/** A sequential lever has no gears to show, only the two ways that it goes. */
function gearText(raw: number, isSequential: boolean): string {
  if (raw === 0) return isSequential ? 'mid' : 'N';
  if (isSequential) return raw > 0 ? 'up' : 'down';
  return raw === -1 ? 'R' : String(raw);
}

/** Live reading of every axis, on every page: an untouched pedal that reads 3 % is seen wherever one is. */
export function AxisBars({ axes, isSequential }: { axes: Shown[]; isSequential: boolean }) {
  const texts = useRef<Partial<Record<AxisName, HTMLSpanElement | null>>>({});
  const latest = useRef(axes);
  useEffect(() => {
    latest.current = axes;
  });
  useEffect(() => {
    const timer = setInterval(() => {
      for (const shown of latest.current) {
        const element = texts.current[shown.axis];
        if (element) element.textContent = (readBar(shown, isSequential)?.text ?? '–').replace('-', '−');
      }
    }, TEXT_EVERY_MS);
    return () => clearInterval(timer);
  }, [isSequential]);
  return (
    <div className="hidden items-center gap-3 md:flex" aria-label="Live axes" role="group">
      {axes.map((shown, i) => (
        <div
          key={shown.axis}
          className={`${shown.axis === 'steering' ? 'w-17' : 'w-15'} ${i > 4 ? 'hidden min-[1500px]:block' : ''}`}
        >
          <div className="flex justify-between text-xs text-muted">
            <span>{AXES[shown.axis].short}</span>
            <span
              ref={(element) => {
                texts.current[shown.axis] = element;
              }}
            >
              –
            </span>
          </div>
          <LiveCanvas
            draw={bar(shown, isSequential)}
            sees={() => Math.round(DRAWN_STEPS * (readBar(shown, isSequential)?.share ?? -1))}
            label={`${capital(AXIS_WORDS[shown.axis])}, live`}
            className="block h-3.5 w-full"
          />
        </div>
      ))}
      <DeviceState />
    </div>
  );
}

function bar(shown: Shown, isSequential: boolean): Draw {
  return (context, width, _height, colour) => {
    context.fillStyle = colour('line');
    context.beginPath();
    context.roundRect(0, BAR_Y, width, BAR_HEIGHT, BAR_HEIGHT / 2);
    context.fill();
    const reading = readBar(shown, isSequential);
    if (!reading) return;
    const share = Math.min(1, Math.max(0, reading.share));
    context.fillStyle = colour(AXES[shown.axis].ink);
    if (shown.axis === 'steering') {
      context.fillRect(Math.min(width - 2, Math.max(0, share * width - 1)), BAR_Y - 2, 2, BAR_HEIGHT + 4);
      return;
    }
    context.beginPath();
    context.roundRect(0, BAR_Y, share * width, BAR_HEIGHT, BAR_HEIGHT / 2);
    context.fill();
  };
}

const STATE_WORDS = { waiting: 'waiting', live: 'live', gone: 'unplugged' } as const;

function DeviceState() {
  const { source, state, replay } = useLiveRig();
  const says = replay ? (state === 'live' ? 'playing' : 'played to its end') : STATE_WORDS[state];
  return (
    <div
      className={`max-w-32 text-xs leading-tight ${state === 'gone' ? 'text-rust' : 'text-muted'}`}
      role="status"
    >
      <div className="truncate">{source?.info.label || 'No device'}</div>
      <div>{source ? says : 'press any pedal'}</div>
      {replay && (
        <button className="cursor-pointer underline underline-offset-2 hover:text-ink" onClick={endReplay}>
          end the replay
        </button>
      )}
    </div>
  );
}
