'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useState } from 'react';
import { describeProblem } from '@/core/problem';
import { writeCaptureCsv } from '@/core/formats/captureCsv';
import type { SimulatedRig } from '@/devices/simulatedRig';
import type { DeviceSource } from '@/devices/source';
import type { BookView } from '@/book/model/bookView';
import { keptOf, massOf } from '@/book/judge/measuredBase';
import { keepMeasuredBase } from '@/book/write/measuredBase';
import { FLICKS, RELEASES } from '@/live/spinSession';
import { setPace } from '@/live/liveRig';
import { useSpins } from '@/live/useSpins';
import { SpinPebbles } from '@/parts/SpinPebbles';
import { PaceChoice } from '@/parts/PaceChoice';
import { spinTrace } from '@/parts/spinTrace';
import { notifyReply } from '@/parts/notifyReply';
import { Button } from '@/ui/Button';
import { downloadText } from '@/ui/download';
import { NumberField } from '@/ui/fields';
import { LiveCanvas } from '@/ui/LiveCanvas';
import { NextStep, StationPage } from '@/ui/StationPage';
import { BEFORE_HANGING, spinPrompt, spinRemark } from '@/words/baseByHand';
import { FoundFigures } from './FoundFigures';

interface Props {
  view: BookView;
  source: DeviceSource;
  simulated: SimulatedRig | null;
  countsPerDegree: number;
  onEnd(): void;
}

const FLICKS_FIRST = 6;

/** A measurement under way at the desk: one prompt, the live angle, what is found so far. */
export function SpinRun({ view, source, simulated, countsPerDegree, onEnd }: Props) {
  const { status, found, fault, session } = useSpins(source, simulated, countsPerDegree);
  const router = useRouter();
  const suggested = massOf(view);
  const [grams, setGrams] = useState<number | null>(null);
  const [millimetres, setMillimetres] = useState<number | null>(null);
  useEffect(() => () => setPace(1), []);
  const draw = useMemo(() => (session ? spinTrace(session) : () => undefined), [session]);
  if (!status || !session) return null;
  const prompt = spinPrompt(status.step, status.from, status.motion);
  const mass = { grams: grams ?? suggested.grams, millimetres: millimetres ?? suggested.millimetres };
  const isMassSound =
    mass.grams >= 20 && mass.grams <= 5000 && mass.millimetres >= 50 && mass.millimetres <= 400;
  const keep = async () => {
    if (!found?.ok) return;
    if (!notifyReply(await keepMeasuredBase(keptOf(found.value)), `The ${view.rig.name} is measured`)) return;
    router.refresh();
    onEnd();
  };
  // First the spins: they tell the rim's own imbalance, which a mass adds to.
  const canHang = status.flicks >= FLICKS_FIRST || status.releases > 0 || status.step?.kind === 'pendulum';
  const hasFlicks = status.flicks >= FLICKS || (status.step === null && status.flicks > 0);
  return (
    <StationPage
      finding={prompt.title}
      subtitle={prompt.how}
      next={
        <>
          <NextStep
            title={found?.ok ? 'What it says so far' : 'Spin it'}
            actions={
              <>
                <Button look="next" disabled={!found?.ok} onClick={() => void keep()}>
                  Keep it
                </Button>
                <Button look="quiet" onClick={onEnd}>
                  Stop
                </Button>
              </>
            }
          >
            {found?.ok ? (
              <FoundFigures found={found.value} />
            ) : found ? (
              <span className="text-rust">{found.problems.map((one) => describeProblem(one)).join(' ')}</span>
            ) : (
              'After six spins the first figures stand here; every one more narrows them. A known mass comes after.'
            )}
          </NextStep>
          {canHang && (
            <NextStep
              title="With a known mass: N·m"
              actions={
                <>
                  {status.step?.kind !== 'pendulum' && (
                    <Button disabled={!isMassSound} onClick={() => session.hang(mass)}>
                      The mass is on
                    </Button>
                  )}
                  {hasFlicks && status.step?.kind !== 'flick' && (
                    <Button look="quiet" onClick={() => session.flick()}>
                      More spins
                    </Button>
                  )}
                </>
              }
            >
              {status.step?.kind === 'pendulum' ? (
                `${mass.grams} g hang ${mass.millimetres} mm from the hub’s middle.`
              ) : (
                <>
                  <ul className="mb-2 list-disc space-y-1 pl-5">
                    {BEFORE_HANGING.map((line) => (
                      <li key={line}>{line}</li>
                    ))}
                  </ul>
                  <NumberField label="Mass" unit="g" value={mass.grams} onChange={setGrams} />
                  <NumberField
                    label="From the hub’s middle"
                    unit="mm"
                    value={mass.millimetres}
                    onChange={setMillimetres}
                  />
                </>
              )}
            </NextStep>
          )}
          <NextStep
            title="Take it along"
            actions={
              <Button
                disabled={status.flicks + status.releases === 0}
                onClick={() =>
                  downloadText('base.capture.csv', writeCaptureCsv(session.recording()), 'text/csv')
                }
              >
                Save the recording
              </Button>
            }
          />
          {simulated && (
            <fieldset className="py-3">
              <legend className="font-semibold">Simulated hand</legend>
              <PaceChoice />
            </fieldset>
          )}
        </>
      }
    >
      <SpinPebbles status={status} flicks={FLICKS} releases={RELEASES} />
      <LiveCanvas draw={draw} label="Angle of the wheel, live" className="mt-3 block h-80 w-full" />
      <p
        aria-live="polite"
        role="status"
        className={`mt-3 min-h-7 text-lg font-semibold ${status.isGone ? 'text-rust' : ''}`}
      >
        {fault
          ? `It could not be worked out: ${fault}.`
          : status.isGone
            ? 'The device is unplugged; plug it in to go on. What counted stays.'
            : spinRemark(status.remark)}
      </p>
    </StationPage>
  );
}
