'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { workedByOf } from '@/core/rig/rigSpec';
import { proofReason, type ProofItem, type ProofResult } from '@/core/axes/proof';
import type { SimulatedRig } from '@/devices/simulatedRig';
import type { DeviceSource } from '@/devices/source';
import { Button } from '@/ui/Button';
import { LinkButton } from '@/ui/LinkButton';
import { Pebble } from '@/ui/Pebble';
import { useKeys } from '@/ui/useKeys';
import type { BookView } from '@/book/model/bookView';
import { setPace, useLiveRig } from '@/live/liveRig';
import { NextStep, StationPage } from '@/ui/StationPage';
import { moment } from '@/words/format';
import { PaceChoice } from '@/parts/PaceChoice';
import { notifyReply } from '@/parts/notifyReply';
import { signProof } from '@/book/write/captures';
import { provable } from '@/live/proofSession';
import { proofFigure, proofItemName, proofPrompt, shortWords } from '@/words/proof';
import { useProof } from '@/live/useProof';

/** Prove it: every axis shows 0 and 100 % once, both locks and the centre; ends signed as settled, or with the reason. */
export function CheckStation({ view }: { view: BookView }) {
  const { source, simulated } = useLiveRig();
  const [isRunning, setRunning] = useState(false);
  const { unmeasured } = provable(view.axes);
  const canStart = source !== null && view.axes.some((axis) => axis.capture);
  useKeys({
    ' ': (event) => {
      event.preventDefault();
      if (!isRunning && canStart) setRunning(true);
    },
    Escape: () => setRunning(false),
  });
  if (isRunning && source)
    return <Check view={view} source={source} simulated={simulated} onEnd={() => setRunning(false)} />;
  const proof = view.proof;
  const failed = proof?.results.filter((result) => !result.passed) ?? [];
  return (
    <StationPage
      finding={finding(view, failed.length)}
      subtitle={
        proof
          ? `Checked ${moment(proof.atMs)}${proof.isStale ? '; captures or settings changed since' : ''}.`
          : 'The last look before driving: what the title will see of every axis.'
      }
      next={
        <>
          <NextStep
            title={proof ? 'Check again' : 'Start the check'}
            actions={
              <>
                <Button look="next" disabled={!canStart} onClick={() => setRunning(true)}>
                  Start the check
                </Button>
                <LinkButton href="/seat?do=check">From the seat</LinkButton>
              </>
            }
          >
            {canStart
              ? 'Foot resting, full press, both locks, centre: half a minute.'
              : 'It needs a measured axis and a live device.'}
          </NextStep>
          {unmeasured.length > 0 && (
            <NextStep
              title={
                <Link className="underline underline-offset-4" href={`/axes/${unmeasured[0]!.axis}`}>
                  Measure what is missing first
                </Link>
              }
            >
              Not measured: {unmeasured.map((axis) => axis.name.toLowerCase()).join(', ')}.
            </NextStep>
          )}
        </>
      }
    >
      {proof ? (
        <Results results={proof.results} />
      ) : (
        <ul className="mt-4 grid max-w-2xl gap-3 text-lg">
          {provable(view.axes).items.map((item) => (
            <li
              key={`${item.axis}/${item.kind}`}
              className="flex items-center gap-3 border-b border-line pb-3"
            >
              <Pebble kind="empty" shape={item.kind.length} />
              {proofItemName(item)}
            </li>
          ))}
        </ul>
      )}
    </StationPage>
  );
}

function finding({ proof, rig, axes }: BookView, failed: number): string {
  if (!proof) return 'Not proved yet';
  if (failed > 0) return `${failed} of ${proof.results.length} did not come`;
  if (axes.some((axis) => !axis.capture)) return 'What was measured is settled; the rest is not measured';
  return proof.isStale
    ? `The axes of the ${rig.name} were settled, and changed since`
    : `The axes of the ${rig.name} are settled`;
}

function Check({
  view,
  source,
  simulated,
  onEnd,
}: {
  view: BookView;
  source: DeviceSource;
  simulated: SimulatedRig | null;
  onEnd(): void;
}) {
  const router = useRouter();
  const { status, giveUp } = useProof(source, simulated, view.axes);
  const results = status?.results;
  const isDone = status !== null && status.current === null;
  const signed = useRef(false);
  // A pace is for one go.
  useEffect(() => () => setPace(1), []);
  const basis = useRef(view.proofBasis);
  useEffect(() => {
    if (!isDone || !results || signed.current) return;
    signed.current = true;
    void signProof(results, basis.current).then((reply) => {
      notifyReply(reply);
      router.refresh();
      onEnd();
    });
  }, [isDone, results, router, onEnd]);
  if (!status) return null;
  const by = workedByOf(view.rig.spec);
  const prompt = status.current ? proofPrompt(status.current, by) : { title: 'Signing', how: '' };
  return (
    <StationPage
      finding={prompt.title}
      subtitle={(status.current && shortWords(status.short, status.current.axis, by)) || prompt.how}
      next={
        <NextStep
          title="It does not come?"
          actions={
            <>
              <Button onClick={giveUp}>Note it and go on</Button>
              <Button look="quiet" onClick={onEnd}>
                Stop
              </Button>
            </>
          }
        >
          An axis that stands still on something else is noted by itself.
          {simulated && <PaceChoice />}
        </NextStep>
      }
    >
      <p className="mt-2 text-6xl font-bold" role="status">
        {status.isGone
          ? 'unplugged'
          : status.current && status.value !== null
            ? proofFigure(status.current, status.value)
            : '–'}
      </p>
      <Results results={status.results} pending={pendingOf(view, status.results.length)} />
    </StationPage>
  );
}

function pendingOf(view: BookView, done: number): ProofItem[] {
  return provable(view.axes).items.slice(done);
}

/** What was asked and what it showed; what is still to come below. */
function Results({ results, pending = [] }: { results: ProofResult[]; pending?: ProofItem[] }) {
  return (
    <ul className="mt-4 grid max-w-2xl gap-2" aria-label="Results of the check">
      {results.map((result) => (
        <li
          key={`${result.item.axis}/${result.item.kind}`}
          className="grid grid-cols-[2rem_1fr] items-center gap-3 border-b border-line pb-2"
        >
          <Pebble kind={result.passed ? 'check' : 'alert'} shape={result.item.kind.length} />
          <span>
            {proofItemName(result.item)}
            <span className="sr-only">: {result.passed ? 'yes' : 'no'}</span>
            {!result.passed && <span className="block text-sm text-rust">{proofReason(result)}</span>}
          </span>
        </li>
      ))}
      {pending.map((item) => (
        <li
          key={`${item.axis}/${item.kind}`}
          className="grid grid-cols-[2rem_1fr] items-center gap-3 border-b border-line pb-2 text-muted"
        >
          <Pebble kind="empty" shape={item.kind.length} />
          {proofItemName(item)}
        </li>
      ))}
    </ul>
  );
}
