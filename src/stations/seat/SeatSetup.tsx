'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { AXES, AXIS_NAMES, type AxisName } from '@/core/axes/axes';
import type { AxisSource } from '@/core/rig/rigSpec';
import { watchAssignment, watchHold, type Assignment } from '@/devices/assignment';
import { rangeOfPlace, readPlace } from '@/devices/readings';
import { shortName } from '@/devices/realDevice';
import { Notices } from '@/ui/notices';
import { tone } from '@/live/voice';
import { usePressed } from '@/parts/AxisSources';
import { makeRig } from '@/book/write/rigs';
import { notifyReply } from '@/parts/notifyReply';
import { SeatScreen } from './SeatScreen';

interface Step {
  axis: AxisName;
  title: string;
  how: string;
  /** Whether a rig may do without it; holding the brake says so. */
  isOptional: boolean;
}

/** The brake comes first: from then on, holding it down says yes. */
const STEPS: Step[] = [...new Set<AxisName>(['brake', 'throttle', ...AXIS_NAMES])].flatMap((axis) => {
  const { shown } = AXES[axis];
  return shown ? [{ axis, ...shown }] : [];
});

/** A pedal of which it is known how it reads up and down: holding it is an answer. */
interface KnownPedal extends AxisSource {
  released: number;
  pressed: number;
}

type Found = Partial<Record<AxisName, AxisSource>>;
type Pedals = Partial<Record<AxisName, KnownPedal>>;

/** The first evening from the seat: which device, which axis is which, how strong. Ends with a rig in the book. */
export function SeatSetup({ names }: { names: string[] }) {
  const router = useRouter();
  const [found, setFound] = useState<Found>({});
  const [at, setAt] = useState(0);
  const [pedals, setPedals] = useState<Pedals>({});
  const [isByHand, setByHand] = useState<boolean | null>(null);
  const isMaking = useRef(false);
  const step = STEPS[at];
  const of = STEPS.length + 1;
  const make = (isDirect: boolean) => {
    if (isMaking.current) return;
    isMaking.current = true;
    const device = { kind: 'real' as const, axes: found };
    void makeRig({ name: freeName(names), device, isDirect, isByHand: isByHand === true }).then((reply) => {
      if (notifyReply(reply)) router.refresh();
    });
  };
  if (!step) {
    // Who has a clutch pedal has feet on the others.
    const isAsked = found.clutch === undefined && isByHand === null;
    return (
      <>
        {isAsked ? (
          <ByPedals key="hand" {...BY_HAND} pedals={pedals} done={at} of={of} onAnswer={setByHand} />
        ) : (
          <ByPedals key="base" {...HOW_STRONG} pedals={pedals} done={at} of={of} onAnswer={make} />
        )}
        <Notices />
      </>
    );
  }
  const next = (source: AxisSource | null) => {
    if (source) {
      setFound((known) => ({ ...known, [step.axis]: source }));
      setPedals((known) => ({ ...known, [step.axis]: asPedal(source) }));
    }
    tone(source ? 'done' : 'counted');
    setAt(at + 1);
  };
  return (
    <>
      <FindStep key={step.axis} step={step} at={at} of={of} found={found} pedals={pedals} onNext={next} />
      <Notices />
    </>
  );
}

function freeName(names: string[]): string {
  const taken = new Set(names.map((name) => name.toLowerCase()));
  for (let n = 1; ; n++) {
    const name = n === 1 ? 'Home rig' : `Home rig ${n}`;
    if (!taken.has(name.toLowerCase())) return name;
  }
}

/** What lies now is its released end; the far end of its range the pressed one. */
function asPedal(source: AxisSource): KnownPedal {
  const released = readPlace(source.device, source.place) ?? 0;
  const { min, max } = rangeOfPlace(source.device, source.place);
  return { ...source, released, pressed: released > (min + max) / 2 ? min : max };
}

/** Looks on every frame until told to stop. */
function everyFrame(look: (nowMs: number) => boolean): () => void {
  let frame = requestAnimationFrame(function again() {
    if (!look(performance.now())) frame = requestAnimationFrame(again);
  });
  return () => cancelAnimationFrame(frame);
}

/** A held pedal as an answer; one that is still down from before must come up first. */
function answerOf(pedal: KnownPedal | undefined) {
  const hold = pedal ? watchHold(pedal, pedal.released, pedal.pressed) : () => null;
  let isFresh = false;
  return (nowMs: number) => {
    const held = hold(nowMs);
    if (held === null) isFresh = true;
    return isFresh ? held : null;
  };
}

const NOTHING: Assignment = { moved: 0, isTie: false, found: null };

interface FindProps {
  step: Step;
  at: number;
  of: number;
  found: Found;
  pedals: Pedals;
  onNext(source: AxisSource | null): void;
}

function FindStep({ step, at, of, found, pedals, onNext }: FindProps) {
  const [seen, setSeen] = useState<Assignment>(NOTHING);
  const [isHolding, setHolding] = useState(false);
  const lever = usePressed();
  const latest = useRef({ onNext, lever });
  useEffect(() => {
    latest.current = { onNext, lever };
  });
  useEffect(() => {
    const watch = watchAssignment(Object.values(found));
    const brake = answerOf(pedals.brake);
    return everyFrame((now) => {
      const held = brake(now);
      setHolding(held === 'holding');
      if (held === 'held' && step.isOptional) {
        latest.current.onNext(step.axis === 'gear' ? latest.current.lever : null);
        return true;
      }
      if (step.axis === 'gear') return false;
      const assignment = watch.look(now);
      setSeen((before) => (sameSight(before, assignment) ? before : assignment));
      if (!assignment.found) return false;
      const { device, place } = assignment.found;
      latest.current.onNext({ device, place });
      return true;
    });
    // One watch per step: what was found before does not change while it stands.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  return (
    <SeatScreen
      title={step.title}
      how={step.how}
      done={at}
      of={of}
      remark={findRemark(step, seen, isHolding, lever)}
      isFault={seen.isTie}
      leaveTo="/start"
      answers={step.isOptional ? <span>Hold the brake for a second to go on without it.</span> : undefined}
    />
  );
}

function findRemark(
  step: Step,
  seen: Assignment,
  isHolding: boolean,
  lever: ReturnType<typeof usePressed>,
): string {
  if (isHolding) return 'Hold it…';
  if (seen.isTie) return `Several things moved. Only the ${step.axis}, once more.`;
  if (seen.moved > 0) return `It moved over ${Math.round(100 * seen.moved)} %. Let go.`;
  if (lever && step.axis === 'gear')
    return `${lever.place.indices.length} gates of ${shortName(lever.device)} so far.`;
  return '';
}

const SHOWN_STEPS = 20;

function sameSight(a: Assignment, b: Assignment): boolean {
  const step = (x: number) => Math.round(SHOWN_STEPS * x);
  return a.isTie === b.isTie && step(a.moved) === step(b.moved) && a.found === b.found;
}

/** Cautions follow from the base. */
const HOW_STRONG = {
  title: 'Is the base a direct drive?',
  how: 'The rim sits straight on the motor; it is strong, and came with a stop button. A gear or belt base is none.',
};
/** What is asked of fingers is worded so. */
const BY_HAND = {
  title: 'Do you brake and accelerate by hand?',
  how: 'With the paddles of the rim, not with your feet.',
};

/** A question that two pedals answer: brake for yes, throttle for no. */
function ByPedals({
  title,
  how,
  pedals,
  done,
  of,
  onAnswer,
}: {
  title: string;
  how: string;
  pedals: Pedals;
  done: number;
  of: number;
  onAnswer(isYes: boolean): void;
}) {
  const [holding, setHolding] = useState<'yes' | 'no' | null>(null);
  const latest = useRef(onAnswer);
  useEffect(() => {
    latest.current = onAnswer;
  });
  useEffect(() => {
    const yes = answerOf(pedals.brake);
    const no = answerOf(pedals.throttle);
    return everyFrame((now) => {
      const [brake, throttle] = [yes(now), no(now)];
      setHolding(brake === 'holding' ? 'yes' : throttle === 'holding' ? 'no' : null);
      if (brake !== 'held' && throttle !== 'held') return false;
      tone('done');
      latest.current(brake === 'held');
      return true;
    });
  }, [pedals]);
  return (
    <SeatScreen
      title={title}
      how={how}
      done={done}
      of={of}
      remark={holding === null ? '' : holding === 'yes' ? 'Yes: hold it…' : 'No: hold it…'}
      answers={
        <>
          <span>
            <strong className="text-ink">brake held</strong>: yes
          </span>
          <span>
            <strong className="text-ink">throttle held</strong>: no
          </span>
        </>
      }
    />
  );
}
