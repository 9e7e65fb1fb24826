'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useState } from 'react';
import { describeProblem } from '@/core/problem';
import type { DeviceSource } from '@/devices/source';
import { keptOf, massOf, wheelScale } from '@/book/judge/measuredBase';
import { keepMeasuredBase } from '@/book/write/measuredBase';
import { FLICKS, RELEASES, type Mass } from '@/live/spinSession';
import { gives, useLiveRig } from '@/live/liveRig';
import { useSpins } from '@/live/useSpins';
import { tone } from '@/live/voice';
import { SpinPebbles } from '@/parts/SpinPebbles';
import { spinTrace } from '@/parts/spinTrace';
import { notifyReply } from '@/parts/notifyReply';
import { LiveCanvas } from '@/ui/LiveCanvas';
import { spinPrompt, spinRemark, withHalf } from '@/words/baseByHand';
import { AnswerWords } from './answerWords';
import type { TaskProps } from './task';
import { SeatScreen } from './SeatScreen';
import { useSeatAnswer } from './useSeatAnswer';

/** The base measured by hand, from the seat: spins, then, where a mass is at hand, releases. */
export function BaseTask(props: TaskProps) {
  const { view } = props;
  const source = useLiveRig((live) => live.source);
  const scale = wheelScale(view);
  const [isSafe, setSafe] = useState(false);
  const canBegin = gives(source, 'steering') && scale !== null;
  useSeatAnswer(source, props.taught, (answer) => {
    if (isSafe) return;
    if (answer === 'yes' && canBegin) setSafe(true);
    else props.onDone();
  });
  if (canBegin && isSafe) return <Spinning {...props} source={source!} countsPerDegree={scale} />;
  return (
    <SeatScreen
      title={canBegin ? 'Is the force off, and the way clear?' : 'The wheel’s angle is not known yet'}
      how={
        canBegin
          ? 'No title running, the base’s strength and effects at 0, rotation 540° or more. Thumbs outside the spokes, nobody near the rim.'
          : 'Measure the steering first: then a degree has a number of counts.'
      }
      done={0}
      of={1}
      leaveTo="/base"
      answers={<AnswerWords taught={props.taught} yes={canBegin ? 'it is: begin' : null} no="not now" />}
    />
  );
}

type Asks = 'spins' | 'mass' | 'keep';

function Spinning({
  view,
  taught,
  onDone,
  source,
  countsPerDegree,
}: TaskProps & { source: DeviceSource; countsPerDegree: number }) {
  const router = useRouter();
  const simulated = useLiveRig((live) => live.simulated);
  const { status, found, session } = useSpins(source, simulated, countsPerDegree);
  const [isHung, setHung] = useState(false);
  const [isBusy, setBusy] = useState(false);
  const mass: Mass = massOf(view);
  const isOver = status !== null && status.step === null;
  const asks: Asks = !isOver ? 'spins' : isHung ? 'keep' : 'mass';
  const counted = status ? status.flicks + status.releases : 0;
  useEffect(() => {
    if (counted > 0) tone('counted');
  }, [counted]);
  const keep = async () => {
    if (!found?.ok || isBusy) return;
    setBusy(true);
    if (notifyReply(await keepMeasuredBase(keptOf(found.value)))) tone('counted');
    router.refresh();
    onDone();
  };
  useSeatAnswer(
    source,
    taught,
    (answer) => {
      if (asks === 'spins') {
        if (answer === 'no') session?.enough();
      } else if (asks === 'mass') {
        setHung(true);
        if (answer === 'yes') session?.hang(mass);
      } else if (asks === 'keep') {
        if (answer === 'yes' && found?.ok) void keep();
        else onDone();
      }
    },
    asks !== 'spins',
  );
  const draw = useMemo(() => (session ? spinTrace(session) : () => undefined), [session]);
  if (!status || !session) return null;
  const prompt = () => {
    if (asks === 'spins') return spinPrompt(status.step, status.from, status.motion);
    if (asks === 'mass')
      return {
        title: `Is a mass of ${mass.grams} g at hand?`,
        how: `Wheel straight, the mass at the lowest point of the rim, ${mass.millimetres} mm from the hub’s middle, taped and tied; feet out from under it. Another mass can be given at the desk.`,
      };
    if (!found?.ok)
      return {
        title: 'That cannot be told yet',
        how: found?.problems.map((one) => describeProblem(one)).join(' ') ?? 'Too few spins counted.',
      };
    const { frictionNm, frictionOverInertia, swings } = found.value;
    return {
      title: frictionNm
        ? `Friction ${withHalf(frictionNm, 3)} N·m`
        : `Friction ${withHalf(frictionOverInertia, 1)} rad/s² over the inertia`,
      how: `From ${swings} spins and releases. Everything foretold of this rim rests on it once it is kept.`,
    };
  };
  const { title, how } = prompt();
  return (
    <SeatScreen
      title={title}
      how={how}
      done={0}
      of={1}
      remark={
        status.isGone
          ? 'The device is unplugged; plug it in to go on. What counted stays.'
          : asks === 'spins'
            ? spinRemark(status.remark)
            : ''
      }
      isFault={status.isGone}
      leaveTo="/base"
      answers={
        asks === 'spins' ? (
          <AnswerWords taught={taught} yes={null} no="that is enough" holds={false} />
        ) : (
          <AnswerWords
            taught={taught}
            yes={asks === 'mass' ? 'it is on' : found?.ok ? 'keep it' : 'leave it'}
            no={asks === 'mass' ? 'without a mass' : 'not for me'}
          />
        )
      }
    >
      <SpinPebbles status={status} flicks={FLICKS} releases={RELEASES} isLarge />
      <LiveCanvas draw={draw} label="Angle of the wheel, live" className="mt-4 block h-44 w-full" />
    </SeatScreen>
  );
}
