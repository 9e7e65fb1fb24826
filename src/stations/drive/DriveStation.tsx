'use client';

import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { Volume2, VolumeX } from 'lucide-react';
import type { DrillShown } from '@/core/drills/measureDrill';
import { reasonOf } from '@/core/problem';
import { layTrack } from '@/core/vehicle/track';
import { trackOf } from '@/book/judge/trackOf';
import type { BookView } from '@/book/model/bookView';
import { useAnswerButtons } from '@/live/answerButtons';
import { driveSound, type DriveSound } from '@/live/driveSound';
import { openDevice, useLiveRig } from '@/live/liveRig';
import { useOwnCombination } from '@/live/ownCombination';
import { useDrive, type Drive } from '@/live/useDrive';
import { useTicking } from '@/live/useTicking';
import { setMuted, useVoice } from '@/live/voice';
import { keepRide } from '@/parts/keepRide';
import { Button } from '@/ui/Button';
import { LinkButton } from '@/ui/LinkButton';
import { LiveCanvas, type Draw } from '@/ui/LiveCanvas';
import { Notices, notify } from '@/ui/notices';
import { useKeys } from '@/ui/useKeys';
import type { DeviceSource } from '@/devices/source';
import { driveWords, lapTime } from '@/words/drive';
import { DRILL_WORDS, drillText } from '@/words/drills';
import { drawDrive } from './picture';
import { useSteadyFrames, type Steadiness } from './useSteadyFrames';

export interface DriveChoice {
  laps: number;
  isAutomatic: boolean;
}

/** Drive here: own wheel and pedals on our roads, full screen, through exactly what is in force. */
export function DriveStation({ view, choice }: { view: BookView; choice: DriveChoice }) {
  const { source, state } = useLiveRig();
  useOwnCombination(view.combination);
  const device = JSON.stringify(view.rig.spec.device);
  useEffect(
    () => openDevice(JSON.parse(device) as BookView['rig']['spec']['device'], view.combination.driver),
    [device, view.combination.driver],
  );
  if (!source || state === 'waiting')
    return (
      <main className="flex min-h-full flex-col justify-center px-10 py-6">
        <h1 className="text-5xl font-bold">Press any pedal, or pull a paddle</h1>
        <p className="mt-4 text-3xl text-muted">
          The browser shows a wheel or pedal set only after something on it has moved.
        </p>
        <p className="mt-8">
          <LinkButton href="/ride">Back to Ride</LinkButton>
        </p>
      </main>
    );
  return <Driving key={source.info.id} view={view} source={source} choice={choice} />;
}

/** What became of a ride that is over. */
type Kept =
  | { state: 'driving' | 'keeping' | 'nothing' }
  | { state: 'kept'; drills: DrillShown[] }
  | { state: 'fault'; why: string };

function Driving({ view, source, choice }: { view: BookView; source: DeviceSource; choice: DriveChoice }) {
  const router = useRouter();
  const track = useMemo(() => layTrack(trackOf(view)), [view]);
  const [seed] = useState(() => view.rideCount + 101);
  const drive = useDrive(view, source, { ...choice, seed });
  const { status, frame, finish } = drive;
  const { meaning } = useAnswerButtons(source, view.rig.spec.rim.buttons);
  const simulated = useLiveRig((live) => live.simulated);
  const isGone = useLiveRig((live) => live.state === 'gone');
  const { said, drawn } = useSteadyFrames();
  const [kept, setKept] = useState<Kept>({ state: 'driving' });
  const isKeeping = useRef(false);

  /** Ends the ride, and keeps what was driven: once. */
  const keep = useCallback(async () => {
    if (isKeeping.current) return;
    isKeeping.current = true;
    setKept({ state: 'keeping' });
    try {
      const driven = await finish();
      const head = { trackId: track.spec.id, seed, settings: view.settings, isAsked: false };
      if (driven) await keepRide(driven.log, head);
      setKept(driven ? { state: 'kept', drills: driven.drills } : { state: 'nothing' });
      router.refresh();
    } catch (error) {
      setKept({ state: 'fault', why: reasonOf(error) });
    }
  }, [finish, router, seed, track, view.settings]);
  useEffect(() => {
    // eslint-disable-next-line react-hooks/set-state-in-effect -- the ride ended in its worker
    if (status.state === 'over' && status.fault === null) void keep();
  }, [status.state, status.fault, keep]);
  const leave = () =>
    void keep().then(() => {
      notify('The ride is kept.');
      router.push('/ride');
    });

  const { shift } = drive;
  useEffect(
    () =>
      source.subscribe({
        button(index) {
          const said = meaning(index);
          if (said) shift(said === 'yes' ? 1 : -1);
        },
      }),
    [source, meaning, shift],
  );
  const isStopped = status.state === 'stopped';
  const toggle = isStopped ? drive.goOn : drive.stop;
  useKeys({
    ' ': (event) => {
      event.preventDefault();
      toggle();
    },
    Escape: () => void keep(),
  });

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

  const draw: Draw = (context, width, height, colour) => {
    const now = frame();
    if (!now) return;
    sound.current?.follow(now);
    const quality = drawn(now);
    drawDrive(context, width, height, colour, {
      frame: now,
      track,
      quality,
      unit: view.speedUnit,
      lockDeg: view.rotation.carDeg,
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
          <Lap frame={frame} laps={choice.laps} lastLapS={status.lastLapS} />
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
          {kept.state === 'driving' && (
            <>
              {simulated && (
                <Button onClick={() => (isGone ? simulated.plugIn() : simulated.unplug())}>
                  {isGone ? 'Plug in' : 'Unplug'}
                </Button>
              )}
              <Button onClick={toggle}>{isStopped ? 'Go on' : 'Stop'}</Button>
              <Button onClick={drive.back}>Back to the road</Button>
              <Button onClick={leave}>End and keep</Button>
            </>
          )}
        </span>
      </header>
      <div className="pointer-events-none absolute inset-x-0 top-1/4 px-10 text-center" role="status">
        {kept.state === 'driving' && prompt && (
          <p className="mx-auto inline-block rounded-lg bg-ground/90 px-6 py-4 text-4xl font-bold text-balance">
            {prompt.title}
            <span className="mt-2 block text-2xl font-normal text-muted">{prompt.how}</span>
          </p>
        )}
        {kept.state !== 'driving' && (
          <div className="pointer-events-auto mx-auto inline-block rounded-lg bg-ground/95 px-8 py-6">
            <Over kept={kept} fault={status.fault} lastLapS={status.lastLapS} />
          </div>
        )}
      </div>
      <Notices />
    </main>
  );
}

function Over({ kept, fault, lastLapS }: { kept: Kept; fault: string | null; lastLapS: number | null }) {
  const words = {
    driving: '',
    keeping: 'The ride is being kept…',
    kept: lastLapS === null ? 'The ride is kept' : `Kept: ${lapTime(lastLapS)}`,
    nothing: 'Nothing was driven yet, so nothing is kept',
    fault: 'The ride was not kept',
  }[kept.state];
  return (
    <>
      <p className="text-4xl font-bold">{words}</p>
      {(kept.state === 'fault' || fault) && (
        <p className="mt-2 max-w-xl text-lg text-rust">{fault ?? (kept.state === 'fault' ? kept.why : '')}</p>
      )}
      {kept.state === 'kept' && kept.drills.length > 0 && (
        <dl aria-label="What it shows" className="mt-4 max-w-2xl text-left text-[15px]">
          {kept.drills.map((drill) => (
            <div key={drill.name} className="grid grid-cols-[11rem_1fr] gap-x-4 border-t border-line py-1.5">
              <dt className="font-semibold">{DRILL_WORDS[drill.name].label}</dt>
              <dd className="tabular-nums">{drillText(drill)}</dd>
            </div>
          ))}
        </dl>
      )}
      {kept.state !== 'keeping' && (
        <p className="mt-5 flex flex-wrap justify-center gap-3">
          <LinkButton href="/ride">See what it shows</LinkButton>
          {/* Anew: the next ride has its own worker. */}
          <a
            href={typeof location === 'undefined' ? '/drive' : location.href}
            className="inline-flex min-h-11 items-center rounded-lg border border-line px-4 font-semibold"
          >
            Drive again
          </a>
        </p>
      )}
    </>
  );
}

const TEXT_EVERY_MS = 200;

/** Which lap it is, and how long it takes so far. */
function Lap({ frame, laps, lastLapS }: { frame: Drive['frame']; laps: number; lastLapS: number | null }) {
  const look = useCallback(() => {
    const now = frame();
    return now && { lap: now.lap, tenths: Math.floor(10 * now.lapS) };
  }, [frame]);
  const now = useTicking(look, TEXT_EVERY_MS);
  if (!now) return null;
  return (
    <p className="text-lg tabular-nums">
      {now.lap === 0 ? 'Up to the line' : `Lap ${Math.min(now.lap, laps)} of ${laps}`}
      {now.lap > 0 && ` · ${lapTime(now.tenths / 10, 1)}`}
      {lastLapS !== null && ` · last ${lapTime(lastLapS)}`}
    </p>
  );
}

/** How steadily it runs, measured here: what is dropped or left out is said. */
function Steady({ said, frame, isReal }: { said: Steadiness; frame: Drive['frame']; isReal: boolean }) {
  const look = useCallback(() => Math.round(100 * (frame()?.slowShare ?? 0)), [frame]);
  const slow = useTicking(look, TEXT_EVERY_MS);
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
