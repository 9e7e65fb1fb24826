'use client';

import { useEffect, useRef, useState } from 'react';
import { steeringDegrees } from '@/core/axes/steeringAngle';
import { degreesField } from '@/core/settings/menus';
import { gridValue } from '@/core/response/menuSchema';
import { believedBase, matchRotation } from '@/core/rotation/matchRotation';
import { NumberField } from '@/ui/fields';
import type { BookView } from '@/book/model/bookView';
import { latestRaw } from '@/live/liveRig';
import { degrees } from '@/words/format';

/** The rim in the hands now, and what the title makes of it: hold 90° and compare. */
export function LiveLock({ view }: { view: BookView }) {
  const hand = useRef<HTMLElement>(null);
  const shown = useRef<HTMLElement>(null);
  const analysis = view.axes.find((axis) => axis.axis === 'steering')?.capture?.analysis;
  const steering = analysis?.axis === 'steering' ? analysis : null;
  const { gain } = matchRotation(view.rotation);
  useEffect(() => {
    if (!steering) return;
    let frame = requestAnimationFrame(function draw() {
      const raw = latestRaw.steering;
      const angle = raw === undefined ? null : steeringDegrees(steering, raw);
      const side = angle === null || Math.abs(angle) < 0.5 ? '' : angle > 0 ? ' left' : ' right';
      if (hand.current) hand.current.textContent = angle === null ? '–' : degrees(Math.abs(angle)) + side;
      if (shown.current)
        shown.current.textContent = angle === null ? '–' : degrees(Math.abs(angle * gain)) + side;
      frame = requestAnimationFrame(draw);
    });
    return () => cancelAnimationFrame(frame);
  }, [steering, gain]);
  return (
    <section aria-labelledby="one-to-one">
      <h2 id="one-to-one" className="border-b border-line pb-2 font-bold">
        One to one, with the live wheel
      </h2>
      {steering ? (
        <dl className="mt-3 grid grid-cols-2 gap-3">
          <div className="flex flex-col-reverse">
            <dt className="text-sm text-muted">in your hands</dt>
            <dd ref={hand} className="text-3xl font-bold" />
          </div>
          <div className="flex flex-col-reverse">
            <dt className="text-sm text-muted">should be shown by {view.names.title}</dt>
            <dd ref={shown} className="text-3xl font-bold" />
          </div>
        </dl>
      ) : (
        <p className="mt-3 text-muted">
          Measure the steering in Axes first: then the rim can be read in degrees.
        </p>
      )}
    </section>
  );
}

/** "It shows 108° at 90°": which base the title believes in, and what to type. */
export function BelievedBase({ view }: { view: BookView }) {
  const [shown, setShown] = useState<number | null>(null);
  const [at, setAt] = useState<number | null>(90);
  const { baseDeg } = view.rotation;
  const believed = shown && at ? believedBase(baseDeg, shown, at) : null;
  const field = degreesField(view.menus, 'title', 'rotation');
  const toType = field ? gridValue(field, baseDeg) : null;
  return (
    <section aria-labelledby="believed">
      <h2 id="believed" className="border-b border-line pb-2 font-bold">
        It shows something else
      </h2>
      <div className="mt-3 grid grid-cols-2 gap-3">
        <NumberField label="The title shows" isStacked value={shown} unit="°" onChange={setShown} />
        <NumberField label="with the rim at" isStacked value={at} unit="°" onChange={setAt} />
      </div>
      <p className="mt-3" role="status">
        {believed === null
          ? 'Hold the rim at a known angle and type what the title shows.'
          : `The title believes ${degrees(believed)}${
              toType === null
                ? `; ${view.names.title} has no rotation of its own: set the base to ${degrees(believed)} or bind again.`
                : Math.abs(believed - baseDeg) <= 0.01 * baseDeg
                  ? ': that is what the base turns. Nothing to do.'
                  : `: type ${toType}.`
            }`}
      </p>
    </section>
  );
}
