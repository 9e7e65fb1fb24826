'use client';

import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { NOT_FOUND_FAULTS, NOT_FOUND_QUESTIONS } from '@/catalog/faults';
import { findFault, MOST_QUESTIONS, type Fault, type FaultAnswer } from '@/core/ready/finder';
import { Button } from '@/ui/Button';

type Answers = Record<string, FaultAnswer>;

/** "My wheel is not found": from the symptom to the order fault, in at most six questions. */
export function NotFoundHelper({ onTurnDown }: { onTurnDown(): void }) {
  const [answers, setAnswers] = useState<Answers>({});
  const { left, next } = findFault(NOT_FOUND_FAULTS, NOT_FOUND_QUESTIONS, answers);
  const asked = Object.keys(answers).length;
  return (
    <Dialog.Root onOpenChange={(isOpen) => isOpen && setAnswers({})}>
      <div className="border-b border-line py-3">
        <Dialog.Trigger asChild>
          <Button>My wheel is not found</Button>
        </Dialog.Trigger>
      </div>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-sunk/70" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-16 left-1/2 z-50 max-h-[calc(100vh-6rem)] w-[36rem] max-w-[calc(100vw-2rem)] -translate-x-1/2 overflow-y-auto rounded-xl border border-line bg-ground p-6"
        >
          <p className="text-sm text-muted">
            {next ? `Question ${asked + 1} of at most ${MOST_QUESTIONS}` : 'Found'}
          </p>
          {next ? (
            <>
              <Dialog.Title className="mt-1 text-xl font-bold">{next.text}</Dialog.Title>
              <p className="mt-1 text-muted">{next.hint}</p>
              <div className="mt-4 flex flex-wrap gap-2">
                {(['yes', 'no', 'unsure'] as const).map((answer) => (
                  <Button
                    key={answer}
                    look={answer === 'unsure' ? 'quiet' : 'plain'}
                    onClick={() => setAnswers({ ...answers, [next.id]: answer })}
                  >
                    {{ yes: 'Yes', no: 'No', unsure: 'I cannot tell' }[answer]}
                  </Button>
                ))}
              </div>
              <p className="mt-4 text-sm text-muted">
                Still possible: {left.map((fault) => fault.name.toLowerCase()).join('; ')}.
              </p>
            </>
          ) : (
            <Causes left={left} onTurnDown={onTurnDown} />
          )}
          <div className="mt-6 flex gap-2 border-t border-line pt-4">
            {asked > 0 && (
              <Button look="quiet" onClick={() => setAnswers({})}>
                Start again
              </Button>
            )}
            <Dialog.Close asChild>
              <Button look="quiet">Close</Button>
            </Dialog.Close>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Causes({ left, onTurnDown }: { left: Fault[]; onTurnDown(): void }) {
  const [first, ...others] = left;
  if (!first)
    return (
      <>
        <Dialog.Title className="mt-1 text-xl font-bold">No cause fits these answers</Dialog.Title>
        <p className="mt-2">
          Two things may be wrong at once. Power everything off, plug in as the list says from its top, and
          start again here.
        </p>
      </>
    );
  return (
    <>
      <Dialog.Title className="mt-1 text-xl font-bold">{first.name}</Dialog.Title>
      <ol className="mt-3 list-decimal space-y-1 pl-5">
        {first.cure.map((step) => (
          <li key={step}>{step}</li>
        ))}
      </ol>
      {first.id === 'rotation-too-wide' && (
        <Dialog.Close asChild>
          <Button look="next" className="mt-4" onClick={onTurnDown}>
            I turned it down: remind me to put it back
          </Button>
        </Dialog.Close>
      )}
      {others.length > 0 && (
        <p className="mt-4 text-sm text-muted">
          If not: {others.map((fault) => fault.name.toLowerCase()).join('; ')}.
        </p>
      )}
    </>
  );
}
