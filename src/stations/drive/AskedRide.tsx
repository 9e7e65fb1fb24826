'use client';

import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useState } from 'react';
import type { ExperimentPlan } from '@/core/experiment/questions';
import type { TrialOutcome } from '@/core/experiment/trial';
import { describeProblem, reasonOf } from '@/core/problem';
import { bookTrial } from '@/book/write/experiments';
import { loadHere } from '@/book/write/blindLoading';
import { PLAINLY } from '@/book/judge/livePlan';
import { turnOf, type RideStep } from '@/book/judge/turn';
import { withSettings } from '@/book/judge/withSettings';
import type { BookView } from '@/book/model/bookView';
import type { ExperimentView } from '@/book/model/experimentView';
import { useAnswerButtons } from '@/live/answerButtons';
import { useDrive } from '@/live/useDrive';
import { useRimAnswers } from '@/live/useRimAnswers';
import { usePolled } from '@/live/usePolled';
import { speak, tone } from '@/live/voice';
import { keepRide } from '@/parts/keepRide';
import { Button } from '@/ui/Button';
import { LinkButton } from '@/ui/LinkButton';
import type { DeviceSource } from '@/devices/source';
import { askedWords } from '@/words/drive';
import { DriveScreen } from './DriveScreen';
import { useAtEnd } from './useAtEnd';

interface Props {
  view: BookView;
  source: DeviceSource;
  open: ExperimentView;
}

/** Rides of a question on our own roads: loaded, driven and booked by themselves; what is to be said is said in the seat. */
export function AskedRide({ view, source, open }: Props) {
  const router = useRouter();
  const [attempt, setAttempt] = useState(0);
  const again = useCallback(() => setAttempt((n) => n + 1), []);
  const turn = turnOf(open);
  const isRide = turn.waitsFor === 'ride here';
  useEffect(() => {
    if (!isRide) router.replace('/seat?do=verdict');
  }, [isRide, router]);
  if (open.trackId !== view.trackId)
    return (
      <Between title="Another road is open now" how="Choose the one of this question under Ride first." />
    );
  if (!isRide) return <Between title="To the seat" how="What you felt is asked there." />;
  const { step } = turn;
  return (
    <Loaded
      key={`${step.place}/${attempt}`}
      {...{ view, source, open, step, asked: open.asked }}
      onAgain={again}
    />
  );
}

interface RideProps extends Props {
  step: RideStep;
  asked: ExperimentPlan;
  onAgain(): void;
}

const LOOKS_EVERY_MS = 100;
/** Loading takes as long whatever is loaded. */
const LOADS_MS = 1600;

/** What is driven is loaded; of a blind test nobody is told what it is. */
function Loaded(props: RideProps) {
  const { open, step, asked } = props;
  const { title, how } = askedWords(step, asked);
  const [loaded, setLoaded] = useState<{ sealed: string | null } | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  useEffect(() => {
    let isGone = false;
    speak(`${title}. ${how}`);
    const waits = new Promise((resolve) => setTimeout(resolve, LOADS_MS));
    void Promise.all([loadHere({ id: open.id, place: step.place }), waits]).then(
      ([reply]) => {
        if (isGone) return;
        if (reply.ok) setLoaded({ sealed: reply.sealed ?? null });
        else setFault(reply.problems.map(describeProblem).join(' '));
      },
      (error: unknown) => !isGone && setFault(reasonOf(error)),
    );
    return () => {
      isGone = true;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- a ride is loaded once, when it comes
  }, []);
  if (fault) return <Between title="It was not loaded" how={fault} isFault />;
  if (!loaded) return <Between title={title} how={how} />;
  return <Driven {...props} sealed={loaded.sealed} />;
}

/** One thing on screen, a metre away. */
function Between({ title, how, isFault = false }: { title: string; how: string; isFault?: boolean }) {
  return (
    <main className="flex min-h-full flex-col justify-center px-10 py-6" data-drive="loading">
      <h1 className="text-5xl leading-tight font-bold text-balance lg:text-6xl">{title}</h1>
      <p className={`mt-4 max-w-5xl text-3xl ${isFault ? 'text-rust' : 'text-muted'}`} role="status">
        {how}
      </p>
      <p className="mt-8">
        <LinkButton href="/verdict">Leave it for now</LinkButton>
      </p>
    </main>
  );
}

function Driven({ view, source, open, step, asked, sealed, onAgain }: RideProps & { sealed: string | null }) {
  const router = useRouter();
  const [seed] = useState(() => view.rideCount + 101 + step.place);
  // Both sides are at hand for every ride; of a blind one only the worker knows which of them it goes through.
  const sides = step.pair;
  const a = withSettings(view, step.values ?? sides?.a ?? {});
  const drive = useDrive(a, source, {
    course: asked.stretch
      ? { kind: 'stretch', stretch: asked.stretch }
      : { kind: 'laps', laps: asked.lapsPerRide },
    ...{ ...PLAINLY, seed },
    blind: sealed === null || !sides ? null : { sealed, b: withSettings(view, sides.b) },
  });
  const { status, finish } = drive;
  const { meaning } = useAnswerButtons(source, view.rig.spec.rim.buttons);
  const [fault, setFault] = useState<string | null>(null);
  /** How it went; booked once the feet are off, since the next question would take a held pedal for its answer. */
  const [outcome, setOutcome] = useState<TrialOutcome | null>(null);
  const isFree = usePolled(drive.areFeetOff, LOOKS_EVERY_MS);

  // Books how it went, and goes on.
  useAtEnd(outcome !== null && isFree, async () => {
    const isRidden = outcome === 'ridden';
    try {
      // Of a blind ride the pedals' columns would tell; some seconds of road are no ride to keep.
      const driven = sealed === null && isRidden && !asked.stretch ? await finish() : null;
      const head = { trackId: open.trackId, seed, settings: a.settings, isAsked: true };
      const rideId = driven && (await keepRide(driven.log, head));
      const reply = await bookTrial({ id: open.id, place: step.place, outcome: outcome!, rideId });
      if (!reply.ok) return setFault(reply.problems.map(describeProblem).join(' '));
      tone(isRidden ? 'counted' : 'fault');
      router.refresh();
      if (!isRidden) onAgain();
    } catch (error) {
      setFault(reasonOf(error));
    }
  });
  useEffect(() => {
    if (status.state === 'over' && status.fault === null)
      // eslint-disable-next-line react-hooks/set-state-in-effect -- the ride ended in its worker
      setOutcome((now) => now ?? (status.isWhole ? 'ridden' : 'break'));
  }, [status.state, status.isWhole, status.fault]);
  const goesWrong = () => {
    drive.stop();
    setOutcome((now) => now ?? 'crash');
  };
  useRimAnswers(source, meaning, (said) => said === 'no' && goesWrong());
  const isBlind = sealed !== null;
  const said = fault ?? status.fault;
  const { title, how } = askedWords(step, asked);
  return (
    <DriveScreen
      view={view}
      source={source}
      drive={drive}
      isBlind={isBlind}
      where={
        <p className="mt-1 max-w-72">
          <span className="block text-lg font-bold">{title}</span>
          <span className="block text-sm text-muted">{how} No: it went wrong, once more.</span>
        </p>
      }
      buttons={<Button onClick={goesWrong}>It went wrong</Button>}
      over={
        said ? (
          <>
            <p className="text-4xl font-bold">This ride is not counted</p>
            <p className="mt-2 max-w-xl text-lg text-rust">{said}</p>
            <p className="mt-5 flex justify-center gap-3">
              <Button look="next" onClick={onAgain}>
                Once more
              </Button>
              <LinkButton href="/verdict">Leave it for now</LinkButton>
            </p>
          </>
        ) : outcome !== null ? (
          <p className="text-4xl font-bold">
            {isFree ? (outcome === 'ridden' ? 'Counted' : 'Once more') : 'Take your feet off the pedals'}
          </p>
        ) : null
      }
    />
  );
}
