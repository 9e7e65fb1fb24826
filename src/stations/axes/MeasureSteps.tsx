'use client';

import Link from 'next/link';
import { useState } from 'react';
import { heldAngles, readAngles } from '@/core/axes/programme';
import { AXIS_WORDS } from '@/core/axes/axes';
import { Button } from '@/ui/Button';
import { CheckField } from '@/ui/CheckField';
import { LinkButton } from '@/ui/LinkButton';
import type { AxisView } from '@/book/model/axisView';
import type { BookView } from '@/book/model/bookView';
import { NextStep } from '@/ui/StationPage';
import { workedByOf } from '@/core/rig/rigSpec';
import { captureWords } from '@/words/capture';
import { moment } from '@/words/format';
import { captureEnded } from '@/live/useCapture';
import { notifyReply } from '@/parts/notifyReply';
import { discardDraft } from '@/book/write/captures';
import { FilePanel } from './FilePanel';

interface Props {
  view: BookView;
  axis: AxisView;
  canMeasure: boolean;
  takeup: boolean;
  onTakeup(on: boolean): void;
  /** `null` where the usual angles are held. */
  onAngles(angles: number[] | null): void;
  onBegin(fromDraft: boolean): void;
  onAll(): void;
}

/** Measure this axis, the whole rig in one go, from the seat, or read a file. */
export function MeasureSteps(props: Props) {
  const { view, axis, canMeasure, takeup, onTakeup, onAngles, onBegin, onAll } = props;
  const name = AXIS_WORDS[axis.axis];
  return (
    <>
      {axis.draft ? (
        <NextStep
          title="Go on with the capture"
          actions={
            <>
              <Button look="next" disabled={!canMeasure} onClick={() => onBegin(true)}>
                Go on
              </Button>
              <Button onClick={() => onBegin(false)}>Start over</Button>
              <Button
                look="quiet"
                onClick={() =>
                  void captureEnded()
                    .then(() => discardDraft(axis.axis))
                    .then((reply) => notifyReply(reply, 'The draft is gone'))
                }
              >
                Discard
              </Button>
            </>
          }
        >
          A draft of {moment(axis.draft.madeAtMs)} waits; what was accepted is kept.
        </NextStep>
      ) : (
        <NextStep
          title={axis.capture ? `Measure the ${name} again` : `Measure the ${name}`}
          actions={
            <Button
              look={axis.capture ? 'plain' : 'next'}
              disabled={!canMeasure}
              onClick={() => onBegin(false)}
            >
              Start the capture
            </Button>
          }
        >
          {captureWords(axis.axis, workedByOf(view.rig.spec)).length}
          {axis.axis === 'steering' && <MarkedAngles view={view} onAngles={onAngles} />}
          {axis.axis === 'brake' && (
            <CheckField label="Begin exactly where resistance is felt" checked={takeup} onChange={onTakeup} />
          )}
          {!canMeasure && (
            <>
              {' '}
              Its readings do not arrive: say under{' '}
              <Link className="underline underline-offset-4" href="/rig">
                Rig
              </Link>{' '}
              where they come from.
            </>
          )}
        </NextStep>
      )}
      <NextStep
        title="Or the whole rig in one go"
        actions={
          <>
            <Button onClick={onAll}>All axes</Button>
            <LinkButton href="/seat?do=axes">From the seat</LinkButton>
          </>
        }
      >
        {view.axes.length} axes, one after the other. From the seat: large, spoken, no keyboard.
      </NextStep>
      <FilePanel axis={axis} />
    </>
  );
}

/** At which marked angles the rim is held; the larger, the less the hand's error counts. */
function MarkedAngles({ view, onAngles }: Pick<Props, 'view' | 'onAngles'>) {
  const { rotationDeg, maxRotationDeg } = view.rig.spec.base;
  const rotation = rotationDeg ?? maxRotationDeg;
  const [text, setText] = useState(heldAngles(rotation).join(', '));
  const isGood = readAngles(text, rotation) !== null;
  return (
    <label className="mt-2 flex items-center gap-3 text-ink">
      Hold at
      <input
        className="h-11 w-28 rounded-lg border border-line bg-raised px-3 font-mono text-[15px]"
        inputMode="numeric"
        value={text}
        aria-invalid={!isGood}
        onChange={(event) => {
          setText(event.target.value);
          onAngles(readAngles(event.target.value, rotation));
        }}
      />
      {isGood ? '°, each way' : `up to four angles, 45 to ${(rotation ?? 3600) / 2}°`}
    </label>
  );
}
