'use client';

import { useCallback, useRef, useState } from 'react';
import { keyOfText } from '@/core/settings/setting';
import { applyChange } from '@/book/write/settings';
import { pulled, type UnderPaddles } from '@/book/judge/underPaddles';
import { withSettings } from '@/book/judge/withSettings';
import type { BookView } from '@/book/model/bookView';
import { describeProblem, reasonOf } from '@/core/problem';
import type { Drive } from '@/live/useDrive';
import { tone } from '@/live/voice';
import { keepRide } from '@/parts/keepRide';
import { notify } from '@/ui/notices';
import type { Driven } from '@/workers/driveWorkerClient';

/** What is kept beside a ride. */
interface Head {
  trackId: string;
  seed: number;
}

/**
 * A ride in parts: a setting that is changed while driving ends one and begins the next, so that no ride holds two of its values.
 * A value comes onto the trail before the first part that was driven with it; one that was only passed over does not.
 */
export function useFelt(view: BookView, under: UnderPaddles | null, drive: Drive, head: Head) {
  const [value, setValue] = useState(under?.setting.value ?? 0);
  const now = useRef(value);
  const onTrail = useRef(value);
  const queue = useRef<Promise<unknown>>(Promise.resolve());
  const { exchange, finish } = drive;

  /** One after the other: what was driven first lies first on the trail. */
  const keepPart = useCallback(
    (driven: Driven | null, at: number, isLast: boolean) => {
      const work = queue.current.then(async () => {
        if (under && at !== onTrail.current && (driven || isLast)) {
          const reply = await applyChange({ ...keyOfText(under.setting.key), to: at, why: FELT });
          if (!reply.ok) throw new Error(reply.problems.map(describeProblem).join(' '));
          onTrail.current = at;
        }
        const settings = under && at !== under.setting.value ? { [under.setting.key]: at } : {};
        if (driven)
          await keepRide(driven.log, {
            ...head,
            settings: withSettings(view, settings).settings,
            isAsked: false,
          });
        return driven;
      });
      queue.current = work.catch(() => undefined);
      return work;
    },
    // eslint-disable-next-line react-hooks/exhaustive-deps -- what is kept beside a ride is said when it begins
    [under, view],
  );

  const pull = (by: 1 | -1) => {
    if (!under) return;
    const [before, next] = [now.current, pulled(under, now.current, by)];
    if (next === before) return tone('fault');
    now.current = next;
    setValue(next);
    tone('counted');
    void exchange(withSettings(view, { [under.setting.key]: next }))
      .then((driven) => keepPart(driven, before, false))
      .catch((error: unknown) => notify(`A part of the ride was not kept: ${reasonOf(error)}`, 'fault'));
  };

  /** Ends the ride; gives its last part once all of it is kept. */
  const keepAll = useCallback(async () => {
    const driven = await finish();
    return keepPart(driven, now.current, true);
  }, [finish, keepPart]);

  /** The page was left: keeps what was driven since the last change, with nobody there to see it. */
  const keepLeft = (driven: Driven) =>
    keepPart(driven, now.current, true).then(
      () => notify('The ride is kept up to where you left it.'),
      (error: unknown) => notify(`The ride that you left was not kept: ${reasonOf(error)}`, 'fault'),
    );

  return { value, pull, keepAll, keepLeft };
}

const FELT = 'felt while driving';
