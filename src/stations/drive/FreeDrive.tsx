'use client';

import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useRef, useState } from 'react';
import { behindGhost, type Ghost } from '@/core/driving/ghost';
import type { Shifting } from '@/core/driving/shifting';
import { reasonOf } from '@/core/problem';
import { settingWords } from '@/book/judge/experimentWords';
import type { UnderPaddles } from '@/book/judge/underPaddles';
import type { BookView } from '@/book/model/bookView';
import { useAnswerButtons } from '@/live/answerButtons';
import { useDrive, type Drive } from '@/live/useDrive';
import { mappedTo, useMapped } from '@/live/useMapped';
import { useRimAnswers } from '@/live/useRimAnswers';
import { usePolled } from '@/live/usePolled';
import { Button } from '@/ui/Button';
import { notify } from '@/ui/notices';
import { useKeys } from '@/ui/useKeys';
import type { Driven } from '@/workers/driveWorkerClient';
import type { DeviceSource } from '@/devices/source';
import { ghostWords, lapTime } from '@/words/drive';
import { DriveScreen } from './DriveScreen';
import { RideOver, type Kept } from './RideOver';
import { useAtEnd } from './useAtEnd';
import { useFelt } from './useFelt';

export interface DriveChoice {
  laps: number;
  shifting: Shifting;
  isAssisted: boolean;
  /** What the paddles change while driving; `null` where they shift, or do nothing. */
  under: UnderPaddles | null;
  /** An earlier lap that is driven along with. */
  ghost: Ghost | null;
}

/** A ride of one's own: laps, kept as any other ride. */
export function FreeDrive({
  view,
  source,
  choice,
}: {
  view: BookView;
  source: DeviceSource;
  choice: DriveChoice;
}) {
  const router = useRouter();
  const [seed] = useState(() => view.rideCount + 101);
  const left = useRef<(driven: Driven) => Promise<unknown>>(() => Promise.resolve());
  const { laps, shifting, isAssisted } = choice;
  const how = { course: { kind: 'laps', laps }, shifting, isAssisted, seed, blind: null } as const;
  // Left by a link or the browser's own button: what was driven is kept behind it.
  const drive = useDrive(view, source, how, (driven) => void left.current(driven));
  const { status, frame } = drive;
  const { value, pull, keepAll, keepLeft } = useFelt(view, choice.under, drive, {
    trackId: view.trackId,
    seed,
  });
  const { meaning } = useAnswerButtons(source, view.rig.spec.rim.buttons);
  const [kept, setKept] = useState<Kept>({ state: 'driving' });

  /** Keeps what was driven; gives whether something was. */
  const keep = useAtEnd(status.state === 'over', async (): Promise<boolean> => {
    setKept({ state: 'keeping' });
    try {
      const driven = await keepAll();
      setKept(driven ? { state: 'kept', drills: driven.drills } : { state: 'nothing' });
      router.refresh();
      return driven !== null;
    } catch (error) {
      setKept({ state: 'fault', why: reasonOf(error) });
      return false;
    }
  });
  // Where nothing was kept the page stays, and says why.
  const leave = () =>
    void keep().then((isKept) => {
      if (!isKept) return;
      notify('The ride is kept.');
      router.push('/ride');
    });

  useEffect(() => {
    left.current = (driven) => keepLeft(driven).then(() => router.refresh());
  });

  const toggle = status.state === 'stopped' ? drive.goOn : drive.stop;
  // Buttons that the title knows for it put the car back here too, and stand still.
  const mapped = { reset: drive.back, pause: toggle };
  useMapped(source, view.buttonMap, mapped);
  const isMapped = (index: number) => mappedTo(view.buttonMap, mapped, index) !== null;
  useRimAnswers(
    source,
    (index) => (isMapped(index) ? null : meaning(index)),
    (said) => (choice.under ? pull : drive.shift)(said === 'yes' ? 1 : -1),
  );
  useKeys({
    ' ': (event) => {
      event.preventDefault();
      toggle();
    },
    Escape: () => void keep(),
    ...(choice.under && { '+': () => pull(1), '-': () => pull(-1) }),
  });

  return (
    <DriveScreen
      view={view}
      source={source}
      drive={drive}
      ghost={choice.ghost}
      where={
        <>
          <Lap frame={frame} laps={choice.laps} lastLapS={status.lastLapS} />
          {choice.ghost && <Behind frame={frame} ghost={choice.ghost} />}
          {choice.under && <Under view={view} under={choice.under} value={value} onPull={pull} />}
        </>
      }
      buttons={
        <>
          <Button onClick={drive.back}>Back to the road</Button>
          <Button onClick={leave}>End and keep</Button>
        </>
      }
      over={
        kept.state === 'driving' ? null : (
          <RideOver kept={kept} fault={status.fault} lastLapS={status.lastLapS} />
        )
      }
    />
  );
}

const TEXT_EVERY_MS = 200;

/** Which lap it is, and how long it takes so far. */
function Lap({ frame, laps, lastLapS }: { frame: Drive['frame']; laps: number; lastLapS: number | null }) {
  const look = useCallback(() => {
    const now = frame();
    return now && { lap: now.lap, tenths: Math.floor(10 * now.lapS) };
  }, [frame]);
  const now = usePolled(look, TEXT_EVERY_MS);
  if (!now) return null;
  return (
    <p className="text-lg tabular-nums">
      {now.lap === 0 ? 'Up to the line' : `Lap ${Math.min(now.lap, laps)} of ${laps}`}
      {now.lap > 0 && ` · ${lapTime(now.tenths / 10, 1)}`}
      {lastLapS !== null && ` · last ${lapTime(lastLapS)}`}
    </p>
  );
}

/** How far the ghost is ahead, at the place where one is. */
function Behind({ frame, ghost }: { frame: Drive['frame']; ghost: Ghost }) {
  const look = useCallback(() => {
    const now = frame();
    const behind = now && now.lap > 0 ? behindGhost(ghost, now.distanceM, now.lapS) : null;
    return behind === null ? null : Math.round(10 * behind);
  }, [frame, ghost]);
  const tenths = usePolled(look, TEXT_EVERY_MS);
  return <p className="tabular-nums">{ghostWords(ghost.lapS, tenths === null ? null : tenths / 10)}</p>;
}

/** The setting under the paddles, as it is now. */
function Under({
  view,
  under: { setting, between },
  value,
  onPull,
}: {
  view: BookView;
  under: UnderPaddles;
  value: number;
  onPull(by: 1 | -1): void;
}) {
  const words = settingWords(view);
  const side = between && (value === between[0] ? 'A · ' : value === between[1] ? 'B · ' : '');
  const text = (v: number) => words.value(setting.key, v);
  return (
    <div className="mt-2 border-t border-line pt-2">
      <p className="text-2xl font-bold tabular-nums" aria-live="polite">
        {side}
        {setting.name} {text(value)}
      </p>
      <span className="mt-1 flex gap-2">
        <Button onClick={() => onPull(-1)}>{between ? `A: ${text(between[0])}` : 'One step down'}</Button>
        <Button onClick={() => onPull(1)}>{between ? `B: ${text(between[1])}` : 'One step up'}</Button>
      </span>
      <p className="mt-1 max-w-64 text-sm text-muted">
        {between ? 'Paddle for yes: B, for no: A.' : 'Paddle for yes: more, for no: less.'} What was driven
        with each value is kept apart.
      </p>
    </div>
  );
}
