'use client';

import { useState } from 'react';
import { CAUTIONS } from '@/catalog/cautions';
import { STRONG_NM } from '@/core/rig/rigSpec';
import type { MeasuredBase } from '@/core/rig/measuredBase';
import type { BookView } from '@/book/model/bookView';
import { basisOf } from '@/book/judge/basis';
import { wheelScale } from '@/book/judge/measuredBase';
import { gives, useLiveRig } from '@/live/liveRig';
import { Facts, restOn } from '@/parts/Facts';
import { Button } from '@/ui/Button';
import { LinkButton } from '@/ui/LinkButton';
import { NextStep, StationPage } from '@/ui/StationPage';
import { BEFORE_SPINNING, withHalf } from '@/words/baseByHand';
import { moment } from '@/words/format';
import { BaseFile } from './BaseFile';
import { BaseHistory } from './BaseHistory';
import { RimTable } from './RimTable';
import { SpinRun } from './SpinRun';

/** The base, measured by hand: what its rim weighs, and how hard it turns. */
export function BaseStation({ view }: { view: BookView }) {
  const { source, simulated } = useLiveRig();
  const [isRunning, setRunning] = useState(false);
  const scale = wheelScale(view);
  const canRead = gives(source, 'steering');
  if (isRunning && source && scale !== null)
    return (
      <SpinRun
        view={view}
        source={source}
        simulated={simulated}
        countsPerDegree={scale}
        onEnd={() => setRunning(false)}
      />
    );
  const newest = view.rig.spec.base.measured.at(-1) ?? null;
  return (
    <StationPage
      finding={
        newest ? measuredFinding(newest) : `How hard does the ${view.rig.name} turn, and how heavy is it?`
      }
      subtitle={
        newest
          ? `From ${newest.swings} spins and releases, ${moment(newest.atMs)}. What is foretold of the rim rests on it.`
          : 'Spun by hand, and swung with a known mass on the rim. Nothing is sent to the wheel.'
      }
      next={
        <>
          <NextStep
            title={newest ? 'Measure it again' : 'Spin it by hand'}
            actions={
              scale === null ? (
                <LinkButton href="/axes/steering">Measure the steering first</LinkButton>
              ) : (
                <>
                  <Button look="next" disabled={!canRead} onClick={() => setRunning(true)}>
                    Begin
                  </Button>
                  <LinkButton href="/seat?do=base">From the seat</LinkButton>
                </>
              )
            }
          >
            {scale === null ? (
              'The wheel’s angle is not known yet: how many counts a degree is.'
            ) : (
              <ul className="list-disc space-y-1 pl-5">
                {BEFORE_SPINNING.map((line) => (
                  <li key={line}>{line}</li>
                ))}
                {!canRead && <li className="text-rust">No wheel is read just now: turn it once.</li>}
              </ul>
            )}
          </NextStep>
          <NextStep title="What it is for">
            Sixteen spins, two minutes: friction and damping over the inertia. Ten releases with a known mass:
            all of it in N·m. Friction decides the minimum force, all three how the rim behaves hands off.
          </NextStep>
          <BaseFile countsPerDegree={scale} />
        </>
      }
    >
      {newest && (
        <Facts
          facts={restOn(basisOf(view).hand, [
            ...(newest.frictionNm && newest.inertiaKgM2 && newest.dampingNmsPerRad
              ? [
                  { value: `${withHalf(newest.frictionNm, 3)} N·m`, meaning: 'friction of base and rim' },
                  {
                    value: `${withHalf(scaled(newest.inertiaKgM2, 1000), 1)} g·m²`,
                    meaning: 'inertia of motor and rim',
                  },
                  {
                    value: `${withHalf(scaled(newest.dampingNmsPerRad, 1000), 1)} mN·m·s/rad`,
                    meaning: 'damping of the bearings',
                  },
                ]
              : [
                  {
                    value: `${withHalf(newest.frictionOverInertia, 2)} rad/s²`,
                    meaning: 'friction over inertia',
                  },
                  { value: `${withHalf(newest.dampingOverInertia, 2)} /s`, meaning: 'damping over inertia' },
                ]),
          ])}
        />
      )}
      {newest && newest.frictionNm === null && (
        <p className="mt-3 max-w-2xl text-[15px]">
          Spins alone give everything over the inertia. A known mass on the rim would give N·m and kg·m².
        </p>
      )}
      <RimTable view={view} />
      {newest && <BaseHistory measured={view.rig.spec.base.measured} />}
      <Cautions torqueNm={view.rig.spec.base.torqueNm} />
    </StationPage>
  );
}

const scaled = ({ value, low, high }: NonNullable<MeasuredBase['inertiaKgM2']>, by: number) => ({
  value: by * value,
  low: by * low,
  high: by * high,
});

function measuredFinding({ frictionNm, frictionOverInertia }: MeasuredBase): string {
  return frictionNm
    ? `Friction ${withHalf(frictionNm, 3)} N·m, measured by hand`
    : `Friction over inertia ${withHalf(frictionOverInertia, 1)} rad/s², measured by hand`;
}

function Cautions({ torqueNm }: { torqueNm: number | null }) {
  return (
    <ul aria-label="Cautions" className="mt-6 max-w-2xl border-l-3 border-rust pl-3 text-sm">
      {CAUTIONS.filter(({ fromNm }) => (torqueNm ?? STRONG_NM) >= fromNm).map(({ text }) => (
        <li key={text}>{text}</li>
      ))}
      <li>
        None of this was tried on your hardware: the maker’s manual decides whether a rim may be spun free.
      </li>
    </ul>
  );
}
