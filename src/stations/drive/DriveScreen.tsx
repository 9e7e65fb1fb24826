'use client';

import { useCallback, useEffect, useMemo, useRef, type ReactNode } from 'react';
import { Volume2, VolumeX } from 'lucide-react';
import { ghostAt, type Ghost } from '@/core/driving/ghost';
import { layTrack } from '@/core/vehicle/track';
import { trackOf } from '@/book/judge/trackOf';
import type { BookView } from '@/book/model/bookView';
import type { DeviceSource } from '@/devices/source';
import { driveSound, type DriveSound } from '@/live/driveSound';
import { useLiveRig } from '@/live/liveRig';
import type { Drive } from '@/live/useDrive';
import { usePolled } from '@/live/usePolled';
import { setMuted, useVoice } from '@/live/voice';
import { Button } from '@/ui/Button';
import { LiveCanvas, type Draw } from '@/ui/LiveCanvas';
import { Notices } from '@/ui/notices';
import { driveWords } from '@/words/drive';
import { drawDrive } from './picture';
import { useSteadyFrames, type Steadiness } from './useSteadyFrames';

interface Props {
  view: BookView;
  source: DeviceSource;
  drive: Drive;
  /** Beside the road's name: which lap, which ride. */
  where: ReactNode;
  /** What can be pressed; it is gone once the ride is over. */
  buttons: ReactNode;
  /** What stands over the picture instead of the ride's own prompts; `null` where nothing does. */
  over: ReactNode;
  /** Of a blind ride nothing is drawn that would tell what it goes through: not hands, feet, engine or speed. */
  isBlind?: boolean;
  /** An earlier lap that is driven along with. */
  ghost?: Ghost | null;
}

/** The road from the driver's eye, full screen, and what has to be known while driving. */
export function DriveScreen({
  view,
  source,
  drive,
  where,
  buttons,
  over,
  isBlind = false,
  ghost = null,
}: Props) {
  const track = useMemo(() => layTrack(trackOf(view)), [view]);
  const { status, frame } = drive;
  const simulated = useLiveRig((live) => live.simulated);
  const isGone = useLiveRig((live) => live.state === 'gone');
  const { said, drawn } = useSteadyFrames();
  const { isMuted, follow } = useDriveSound();

  const draw: Draw = (context, width, height, colour) => {
    const now = frame();
    if (!now) return;
    follow(now);
    const quality = drawn(now);
    drawDrive(context, width, height, colour, {
      frame: now,
      track,
      quality,
      unit: view.speedUnit,
      lockDeg: view.rotation.carDeg,
      isBlind,
      ghost: ghost && now.lap > 0 ? ghostAt(ghost, now.lapS) : null,
    });
  };

  const prompt = driveWords(status, { isGone, isStandIn: simulated !== null });
  return (
    <main className="relative h-full overflow-hidden bg-ground" data-drive={status.state}>
      <LiveCanvas
        draw={draw}
        label={`${track.spec.name} from the driver’s eye`}
        className="absolute inset-0 h-full w-full"
      />
      <header className="absolute inset-x-0 top-0 flex flex-wrap items-start gap-4 p-4">
        <div className="rounded-lg bg-ground/80 px-3 py-2">
          <h1 className="font-bold">{track.spec.name}</h1>
          <p className="text-sm text-muted">
            {view.names.car} · {view.names.title} · {view.names.driver}
          </p>
          {where}
        </div>
        <p className="rounded-lg bg-ground/80 px-3 py-2 text-sm text-muted" data-steadiness>
          <Steady said={said} frame={frame} isReal={source.info.kind === 'real'} />
        </p>
        <span className="ml-auto flex flex-wrap gap-2">
          <button
            className="flex h-11 w-11 cursor-pointer items-center justify-center rounded-lg border border-line bg-ground"
            aria-label={isMuted ? 'Sound on' : 'Sound off'}
            aria-pressed={isMuted}
            onClick={() => setMuted(!isMuted)}
          >
            {isMuted ? <VolumeX size={22} aria-hidden="true" /> : <Volume2 size={22} aria-hidden="true" />}
          </button>
          {!over && (
            <>
              {simulated && (
                <Button onClick={() => (isGone ? simulated.plugIn() : simulated.unplug())}>
                  {isGone ? 'Plug in' : 'Unplug'}
                </Button>
              )}
              <Button onClick={status.state === 'stopped' ? drive.goOn : drive.stop}>
                {status.state === 'stopped' ? 'Go on' : 'Stop'}
              </Button>
              {buttons}
            </>
          )}
        </span>
      </header>
      <div className="pointer-events-none absolute inset-x-0 top-1/4 px-10 text-center" role="status">
        {!over && prompt && (
          <p className="mx-auto inline-block rounded-lg bg-ground/90 px-6 py-4 text-4xl font-bold text-balance">
            {prompt.title}
            <span className="mt-2 block text-2xl font-normal text-muted">{prompt.how}</span>
          </p>
        )}
        {over && (
          <div className="pointer-events-auto mx-auto inline-block rounded-lg bg-ground/95 px-8 py-6">
            {over}
          </div>
        )}
      </div>
      <Notices />
    </main>
  );
}

/** Engine, tyres and kerbs, unless the driver muted them. */
function useDriveSound() {
  const isMuted = useVoice((voice) => voice.isMuted);
  const sound = useRef<DriveSound | null>(null);
  useEffect(() => {
    if (isMuted) return;
    sound.current = driveSound();
    return () => {
      sound.current?.close();
      sound.current = null;
    };
  }, [isMuted]);
  return {
    isMuted,
    follow: (frame: Parameters<DriveSound['follow']>[0]) => sound.current?.follow(frame),
  };
}

const TEXT_EVERY_MS = 200;

/** How steadily it runs, measured here: what is dropped or left out is said. */
function Steady({ said, frame, isReal }: { said: Steadiness; frame: Drive['frame']; isReal: boolean }) {
  const look = useCallback(() => Math.round(100 * (frame()?.slowShare ?? 0)), [frame]);
  const slow = usePolled(look, TEXT_EVERY_MS);
  return (
    <>
      {said.framesPerS} pictures a second
      {isReal && said.delayFrames !== null && `, ${said.delayFrames.toFixed(1)} frames behind the device`}
      {said.reduced > 0 && (
        <span className="block">The picture is reduced: this machine did not keep up.</span>
      )}
      {slow > 0 && <span className="block text-rust">Running slow by {slow} %</span>}
    </>
  );
}
