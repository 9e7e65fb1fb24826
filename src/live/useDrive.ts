'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { chainOf } from '@/core/force/chainOf';
import { isForceDescribed } from '@/core/force/forceParameters';
import type { LiveFrame, LiveState, Stop } from '@/core/driving/liveDrive';
import { feetOff, heard, NO_INPUT } from '@/core/driving/liveInputs';
import { forceFactsOf } from '@/book/judge/force';
import { livePlan, liveSetting, type LiveHow } from '@/book/judge/livePlan';
import type { BookView } from '@/book/model/bookView';
import type { DeviceSource } from '@/devices/source';
import { driveWorkerClient, type Driven, type StartedDrive } from '@/workers/driveWorkerClient';
import { driveWorker } from '@/workers/startWorker';
import { latestRaw } from './liveRig';

/** What a page shows of a ride in real time; a moment of it is drawn from {@link Drive.frame}, never from here. */
interface DriveStatus {
  state: LiveState;
  why: Stop | null;
  lap: number;
  lastLapS: number | null;
  /** It came to its planned end. */
  isWhole: boolean;
  fault: string | null;
}

export interface Drive {
  status: DriveStatus;
  /** The newest moment. */
  frame(): LiveFrame | null;
  /** Whether no pedal is held just now: a foot that is still down would be taken for an answer. */
  areFeetOff(): boolean;
  shift(by: 1 | -1): void;
  stop(): void;
  goOn(): void;
  back(): void;
  /** Goes on through the settings of another view; gives what was driven until then, `null` where that is no ride. */
  exchange(next: BookView): Promise<Driven | null>;
  /** Ends it, and gives what was driven; `null` where nothing was. */
  finish(): Promise<Driven | null>;
}

/** How it is driven; of a blind test the view has A, and here is B and, sealed, which of them it is. */
export interface DriveHow extends Omit<LiveHow, 'isStandIn'> {
  blind: { sealed: string; b: BookView } | null;
}

/** A ride shorter than this is none, s. */
const LEAST_RIDE_S = 2;

const isRide = ({ log }: Driven) => {
  const t = log.columns.t_s;
  return t.length > 0 && t.at(-1)! - t[0]! >= LEAST_RIDE_S;
};

const BEFORE: DriveStatus = {
  ...{ state: 'waiting', why: null, lap: 0, lastLapS: null, isWhole: false, fault: null },
};

const chainIn = (view: BookView) => (isForceDescribed(view.menus) ? chainOf(forceFactsOf(view)) : null);

/**
 * Drives the open combination with what the driver holds; a simulated rig drives by itself.
 * @param onLeft hears what was driven where the page is left in the middle of it
 */
export function useDrive(
  view: BookView,
  source: DeviceSource,
  how: DriveHow,
  onLeft?: (driven: Driven) => void,
): Drive {
  const [status, setStatus] = useState(BEFORE);
  const newest = useRef<LiveFrame | null>(null);
  const drive = useRef<StartedDrive | null>(null);
  const isFinished = useRef(false);
  const through = useCallback(
    (of: BookView) =>
      liveSetting(of, source.info.ranges, { ...how, isStandIn: source.info.kind === 'simulated' }),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- how a ride is driven is said when it begins
    [source],
  );
  useEffect(() => {
    const { blind, seed } = how;
    const isStandIn = source.info.kind === 'simulated';
    const plan = livePlan(view, source.info.ranges, { ...how, isStandIn });
    let shown = BEFORE;
    const started = driveWorkerClient(
      driveWorker(),
      plan,
      // What a blind ride was driven with is written nowhere before the end, so neither is its force.
      blind ? null : chainIn(view),
      { seed, blind: blind && { sealed: blind.sealed, b: through(blind.b) } },
      (now) => {
        newest.current = now;
        const { state, why, lap, lastLapS, isWhole } = now;
        if (state === shown.state && why === shown.why && lap === shown.lap && lastLapS === shown.lastLapS)
          return;
        shown = { ...shown, state, why, lap, lastLapS, isWhole };
        setStatus(shown);
      },
      (error) => setStatus((before) => ({ ...before, state: 'over', fault: error.message })),
    );
    drive.current = started;
    const off = source.subscribe({
      samples: () => started.tell({ kind: 'hear', raw: { ...latestRaw }, atMs: performance.now() }),
      state: (state) =>
        started.tell(state === 'live' ? { kind: 'go on', after: 'gone' } : { kind: 'stop', why: 'gone' }),
    });
    const onHidden = () =>
      started.tell(document.hidden ? { kind: 'stop', why: 'hidden' } : { kind: 'go on', after: 'hidden' });
    document.addEventListener('visibilitychange', onHidden);
    // Closed, the page would take with it what was driven: the browser asks first.
    const onClose = (event: BeforeUnloadEvent) => {
      if (!isFinished.current && onLeft && (newest.current?.t ?? 0) >= LEAST_RIDE_S) event.preventDefault();
    };
    window.addEventListener('beforeunload', onClose);
    return () => {
      off();
      document.removeEventListener('visibilitychange', onHidden);
      window.removeEventListener('beforeunload', onClose);
      drive.current = null;
      if (isFinished.current || !onLeft || (newest.current?.t ?? 0) < LEAST_RIDE_S) return started.end();
      void started
        .log()
        .then((driven) => isRide(driven) && onLeft(driven))
        .catch(() => undefined)
        .finally(() => started.end());
    };
    // The ride is begun once: what is set meanwhile holds for the next one.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [source]);
  const tell = useCallback(
    (message: Parameters<StartedDrive['tell']>[0]) => drive.current?.tell(message),
    [],
  );
  return {
    status,
    frame: useCallback(() => newest.current, []),
    areFeetOff: useCallback(
      () => source.info.kind === 'simulated' || feetOff(heard(through(view).axes, latestRaw, NO_INPUT)),
      // eslint-disable-next-line react-hooks/exhaustive-deps -- pedals are calibrated as they were when it began
      [source, through],
    ),
    shift: useCallback((by) => tell({ kind: 'shift', by }), [tell]),
    stop: useCallback(() => tell({ kind: 'stop', why: 'asked' }), [tell]),
    goOn: useCallback(() => tell({ kind: 'go on', after: 'asked' }), [tell]),
    back: useCallback(() => tell({ kind: 'back' }), [tell]),
    exchange: useCallback(
      async (next) => {
        const driven = await drive.current?.exchange(through(next), chainIn(next));
        return driven && isRide(driven) ? driven : null;
      },
      [through],
    ),
    finish: useCallback(async () => {
      isFinished.current = true;
      if ((newest.current?.t ?? 0) < LEAST_RIDE_S) return null;
      tell({ kind: 'end' });
      const driven = await drive.current?.log();
      return driven && isRide(driven) ? driven : null;
    }, [tell]),
  };
}
