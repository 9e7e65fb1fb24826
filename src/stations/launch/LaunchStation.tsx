'use client';

import { proxy } from 'comlink';
import { useCallback, useEffect, useState } from 'react';
import { reasonOf } from '@/core/problem';
import type { LaunchAdvice } from '@/core/launch/recommendLaunch';
import { travelFor } from '@/core/response/notes';
import { drivelineOf } from '@/core/vehicle/drivelineSpec';
import { shiftChoices } from '@/book/judge/shiftChoices';
import { anyRidePlan } from '@/book/judge/ridePlan';
import type { BookView } from '@/book/model/bookView';
import { Chart } from '@/ui/Chart';
import type { ChartPalette } from '@/ui/chartTheme';
import { LinkButton } from '@/ui/LinkButton';
import { ProgressBar } from '@/ui/ProgressBar';
import { NextStep, StationPage } from '@/ui/StationPage';
import { holdText, launchWords } from '@/words/launch';
import { startWorker } from '@/workers/startWorker';
import { BiteStep } from './BiteStep';
import { launchOption } from './launchChart';

const SEED = 11;

/** Launch: the hold of a two-stage clutch on the safe side of its cliff, and the own clutch's bite point. */
export function LaunchStation({ view }: { view: BookView }) {
  const spec = drivelineOf(view.car);
  const { advice, share, fault } = useLaunch(view);
  if (!spec)
    return (
      <StationPage
        finding={`Nobody knows how the ${view.names.car} starts`}
        subtitle="A launch takes a car with engine, gears and clutch."
        next={<BiteStep />}
      >
        <p className="max-w-xl">
          Its file says only how much power it has. With engine, gears, clutch, differential and drive in its
          *.car.json the hold is worked out.
        </p>
      </StationPage>
    );
  if (!advice)
    return (
      <StationPage
        finding="How should the clutch be held at the start?"
        subtitle={`${view.names.car}: some hundred starts are driven.`}
        next={<BiteStep />}
      >
        {fault === null ? (
          <ProgressBar share={share} label="Starts driven">
            Starts at other engine speeds and holds, each with a hand and a foot that slip a little…
          </ProgressBar>
        ) : (
          <p role="alert" className="text-rust">
            The starts were not driven: {fault}
          </p>
        )}
      </StationPage>
    );
  return <Advised view={view} advice={advice} />;
}

function Advised({ view, advice }: { view: BookView; advice: LaunchAdvice }) {
  const words = launchWords(advice);
  const clutch = view.axes.find(({ axis }) => axis === 'clutch');
  const onAxis = clutch ? travelFor(clutch.layers, advice.recommended) : advice.recommended;
  // Here the car hears the paddles as they are pulled: what it is to hold is the hold itself.
  const launched = shiftChoices(view).clutch.includes('paddles')
    ? `clutch=paddles&hold=${Math.round(100 * advice.recommended)}`
    : `clutch=${clutch ? 'foot' : 'self'}`;
  const isAssumed = (view.car.assumed?.length ?? 0) > 0;
  const isBent = Math.abs(onAxis - advice.recommended) > 0.004;
  const build = useCallback((palette: ChartPalette) => launchOption(advice, palette), [advice]);
  const fixed = (value: number, digits: number) => value.toFixed(digits);
  return (
    <StationPage
      finding={words.finding}
      subtitle={`${words.gives}. Simulated: engine and clutch of the ${view.names.car} as ${isAssumed ? 'usual for its class' : 'its file says'}, a hand and a foot that slip a little.`}
      next={
        <>
          <NextStep title={`Set the hold to ${holdText(onAxis)}`}>
            {isBent
              ? `Behind the clutch’s dead zone and saturation ${holdText(onAxis)} on the axis are ${holdText(advice.recommended)} for the car. Ask again after either has changed.`
              : 'Where your base or rim has it: bite point of the clutch paddles. After any change of the clutch’s dead zone or saturation ask again.'}
          </NextStep>
          <NextStep title="On the safe side">
            {words.cliff} {words.away}
          </NextStep>
          <NextStep title="What it costs">
            {words.heat}. What four starts in five need, and the heat, at other engine speeds:{' '}
            {advice.overRpm
              .map(
                ({ rpm, t60P80, clutchKj }) => `${rpm} rpm ${fixed(t60P80, 2)} s, ${fixed(clutchKj, 0)} kJ`,
              )
              .join('; ')}
            .
          </NextStep>
          <BiteStep />
          <NextStep
            title="Try it"
            actions={
              <LinkButton href={`/drive?laps=1&gears=paddles&${launched}`}>Drive with the paddles</LinkButton>
            }
          >
            On Quarry Pan the first 200 m are straight.
          </NextStep>
        </>
      }
    >
      <Chart
        className="h-96"
        build={build}
        label="Time over 60 m by the hold of the clutch"
        fileName="launch"
        table={{
          columns: [
            'hold %',
            'exact s',
            'mean s',
            '±',
            'four in five s',
            'ran away %',
            'spin m',
            'bog %',
            'clutch kJ',
          ],
          rows: advice.holds.map((one) => [
            fixed(100 * one.hold, 0),
            fixed(one.exactS, 2),
            fixed(one.t60Mean, 2),
            fixed(one.t60Sd, 2),
            fixed(one.t60P80, 2),
            fixed(100 * one.awayShare, 0),
            fixed(one.spinM, 1),
            fixed(100 * one.bog, 0),
            fixed(one.clutchKj, 0),
          ]),
        }}
      />
      <p className="mt-3 max-w-2xl text-[15px] text-muted">
        The line is a start without any slip; a point is what four of five starts by a person do. What the
        tyres hold by closed form lies at {holdText(advice.closedFormHold)}: the best is a little above it.
      </p>
    </StationPage>
  );
}

/** Works the launch out in a worker that ends with the page. */
function useLaunch(view: BookView) {
  const [advice, setAdvice] = useState<LaunchAdvice | null>(null);
  const [share, setShare] = useState(0);
  const [fault, setFault] = useState<string | null>(null);
  // Only what the launch hangs on: an answer is not thrown away by a page that was read anew.
  const asked = JSON.stringify([view.car, anyRidePlan(view, 1, SEED).throttle]);
  useEffect(() => {
    const [car, throttle] = JSON.parse(asked) as [
      BookView['car'],
      ReturnType<typeof anyRidePlan>['throttle'],
    ];
    const spec = drivelineOf(car);
    if (!spec) return;
    const worker = startWorker.launch();
    let isOff = false;
    worker
      .ask((launch) =>
        launch.advise(
          car,
          spec,
          throttle,
          SEED,
          proxy((done: number) => !isOff && setShare(done)),
        ),
      )
      .then(
        (found) => !isOff && setAdvice(found),
        (error: unknown) => !isOff && setFault(reasonOf(error)),
      )
      .finally(() => worker.end());
    return () => {
      isOff = true;
      worker.end();
    };
  }, [asked]);
  return { advice, share, fault };
}
