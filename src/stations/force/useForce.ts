'use client';

import { proxy, type Remote } from 'comlink';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { ChainFacts } from '@/core/force/chainOf';
import { reasonOf } from '@/core/problem';
import { changedBetween, type SettingValues } from '@/core/settings/setting';
import type { RidePlan, RideProgress } from '@/core/vehicle/simulateRide';
import type { ForceWorker } from '@/workers/force.worker';
import type { ForceReport, SmoothReport, StabilityReport } from '@/core/force/forceReport';
import { startWorker } from '@/workers/startWorker';
import type { BookView } from '@/book/model/bookView';
import { anyRidePlan, FORCE_SEED } from '@/book/judge/ridePlan';
import { forceFactsOf } from '@/book/judge/force';

const LAPS = 2;

/** What is known of one ride so far. */
interface Known {
  /** Share of the ride that is driven, 0…1; `null` once it is. */
  progress: number | null;
  fault: string | null;
  /** What the ride says of the values tried, and of those kept. */
  report: ForceReport | null;
  kept: ForceReport | null;
  stability: StabilityReport | null;
  /** What the base makes of the signal, of the values tried and of those kept. */
  smooth: SmoothReport | null;
  keptSmooth: SmoothReport | null;
  /** The values that strength, balance and stability answer for. */
  answered: SettingValues | null;
}

export interface ForceState extends Known {
  /** Whether something newer is being worked out. */
  isBusy: boolean;
  /** Everything that holds with the values tried. */
  facts: ChainFacts;
  /** Asks the worker that drove the ride something more; for when it has. */
  ask<T>(question: (force: Remote<ForceWorker>) => Promise<T>): Promise<T>;
}

const NOTHING: Known = {
  progress: 0,
  fault: null,
  report: null,
  kept: null,
  stability: null,
  smooth: null,
  keptSmooth: null,
  answered: null,
};

/**
 * A ride of the open combination, driven once in a worker, and what the settings that are tried make of its force. Only the
 * newest question is answered: those that a slider has left behind are dropped.
 */
export function useForce(view: BookView, values: SettingValues): ForceState {
  const facts = useMemo(() => forceFactsOf(view), [view]);
  // The road, the car and the pedals decide the ride; no setting of the force does.
  const planText = useMemo(
    () => JSON.stringify([anyRidePlan(view, LAPS, FORCE_SEED), view.title.forceHz]),
    [view],
  );
  const [known, setKnown] = useState<{ planText: string } & Known>({ planText, ...NOTHING });
  const now = known.planText === planText ? known : { planText, ...NOTHING };
  const worker = useRef<ReturnType<typeof startWorker.force> | null>(null);

  useEffect(() => {
    const started = startWorker.force();
    worker.current = started;
    const say = (part: Partial<Known>) =>
      setKnown((before) => ({
        ...(before.planText === planText ? before : { planText, ...NOTHING }),
        ...part,
      }));
    // Progress comes by a way of its own: some of it arrives after the end.
    let isOver = false;
    const onProgress = ({ share }: RideProgress) => {
      if (!isOver) say({ progress: share });
    };
    const [plan, rateHz] = JSON.parse(planText) as [RidePlan, number];
    started
      .ask((force) => force.drive(plan, rateHz, proxy(onProgress)))
      .then(() => {
        isOver = true;
        say({ progress: null });
      })
      .catch((error: unknown) => say({ fault: reasonOf(error) }));
    return () => started.end();
  }, [planText]);

  const ask = useCallback(
    <T>(question: (force: Remote<ForceWorker>) => Promise<T>): Promise<T> => worker.current!.ask(question),
    [],
  );
  const tried = useMemo(() => ({ ...facts, values }), [facts, values]);
  const { schools } = view;
  const asked = useRef(0);
  const isDriven = now.progress === null;
  useEffect(() => {
    if (!isDriven) return;
    const mine = ++asked.current;
    const isNewest = () => mine === asked.current;
    const say = (part: Partial<Known>) =>
      setKnown((before) => (isNewest() ? { ...before, ...part } : before));
    const isKept = changedBetween(facts.values, values).length === 0;
    const askAll = async (force: Remote<ForceWorker>) => {
      const report = await force.judge(tried, schools);
      say({ report });
      if (!isNewest()) return;
      const kept = isKept ? report : await force.judge(facts, schools);
      const stability = await force.calm(tried, schools);
      say({ kept, stability, answered: values });
      if (!isNewest()) return;
      const smooth = await force.smooth(tried, schools);
      say({ smooth });
      if (!isNewest()) return;
      say({ keptSmooth: isKept ? smooth : await force.smooth(facts, schools) });
    };
    ask(askAll).catch((error: unknown) => say({ fault: reasonOf(error) }));
  }, [isDriven, facts, values, tried, schools, ask]);

  return { ...now, isBusy: now.answered !== values, facts: tried, ask };
}
