'use client';

import { useCallback } from 'react';
import { clippedTravel } from '@/core/axes/calibration';
import type { AxisName } from '@/core/axes/axes';
import { steeringDegrees } from '@/core/axes/steeringAngle';
import { rotationFacts, seePreflight, type Sights } from '@/core/ready/preflight';
import type { BookView } from '@/book/model/bookView';
import { latestRaw, movedAxes, useLiveRig } from './liveRig';
import { usePolled } from './usePolled';

const LOOK_EVERY_MS = 250;

/** What the software sees of the pre-flight on the live device, looked at four times a second. */
export function useLivePreflight(view: Pick<BookView, 'axes' | 'rig' | 'ready'>): Sights {
  const source = useLiveRig((live) => live.source);
  const state = useLiveRig((live) => live.state);
  const look = useCallback(() => sightsNow(view, source !== null && state === 'live'), [view, source, state]);
  return usePolled(look, LOOK_EVERY_MS);
}

function sightsNow({ axes, rig, ready }: Pick<BookView, 'axes' | 'rig' | 'ready'>, isLive: boolean): Sights {
  const travel: Partial<Record<AxisName, number>> = {};
  let steeringDeg: number | null = null;
  for (const { axis, capture } of axes) {
    const raw = latestRaw[axis];
    const analysis = capture?.analysis;
    if (raw === undefined || !analysis || analysis.axis === 'gear') continue;
    if (analysis.axis === 'steering') steeringDeg = steeringDegrees(analysis, raw);
    else travel[axis] = clippedTravel(analysis.calibration, raw);
  }
  const steering = axes.find((axis) => axis.axis === 'steering')?.capture?.analysis ?? null;
  return seePreflight({
    isLive,
    axes: axes.map((axis) => axis.axis),
    moved: movedAxes,
    travel,
    steeringDeg,
    // While the base is turned down to bind, the old measurement says nothing.
    rotation: ready.reminder ? null : rotationFacts(steering, rig.spec),
  });
}
