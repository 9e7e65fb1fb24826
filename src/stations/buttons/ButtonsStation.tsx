'use client';

import { useCallback, useEffect, useMemo, useState } from 'react';
import { useRouter } from 'next/navigation';
import isEqual from 'fast-deep-equal';
import { ACTION_IDS, ACTIONS, type ActionId } from '@/core/buttons/actions';
import { assignButtons } from '@/core/buttons/assignButtons';
import { conflictsOf, type ButtonMap } from '@/core/buttons/buttonMap';
import { writeRimJson } from '@/core/formats/rimJson';
import { PADDLE_MODES, type RigSpec } from '@/core/rig/rigSpec';
import type { RimButton } from '@/core/rig/rimButton';
import type { BookView } from '@/book/model/bookView';
import { saveMap, saveRim } from '@/book/write/buttons';
import { useLiveRig } from '@/live/liveRig';
import { Choice } from '@/parts/Choice';
import { told } from '@/parts/told';
import { Button } from '@/ui/Button';
import { downloadText } from '@/ui/download';
import { SelectField } from '@/ui/fields';
import { useLeaveWarning } from '@/ui/leaving';
import { NextStep, StationPage } from '@/ui/StationPage';
import { conflictSaid, PADDLE_WORDS } from '@/words/buttons';
import { capital } from '@/words/format';
import { ActionTable } from './ActionTable';
import { ButtonTable } from './ButtonTable';
import { ReachScreen } from './ReachScreen';
import { RimFields } from './RimFields';
import { RimPicture } from './RimPicture';

type Rim = Pick<RigSpec['rim'], 'buttons' | 'paddleMode' | 'fields'>;

/** The driver's own rim, button by button, and where everything lies best in the open title. */
export function ButtonsStation({ view }: { view: BookView }) {
  const router = useRouter();
  const { source, simulated } = useLiveRig();
  const kept = rimOf(view.rig.spec.rim);
  const [rim, setRim] = useState<Rim>(kept);
  const [map, setMap] = useState<ButtonMap>(view.buttonMap);
  const [isReaching, setReaching] = useState(false);
  const { buttons } = rim;
  const isChanged = !isEqual(rim, kept) || !isEqual(map, view.buttonMap);
  useLeaveWarning(isChanged ? 'What you wrote of the buttons' : null);
  const setButtons = (next: RimButton[]) => setRim((now) => ({ ...now, buttons: next }));
  useEffect(() => {
    if (!source || isReaching) return;
    return source.subscribe({ button: (index) => setRim((now) => withButton(now, index)) });
  }, [source, isReaching]);
  const measured = useCallback((next: RimButton[]) => {
    setButtons(next);
    setReaching(false);
  }, []);
  const keep = async (nextRim = rim, nextMap = map) => {
    if (!isEqual(nextRim, kept) && !told(await saveRim(nextRim))) return;
    if (told(await saveMap(nextMap), 'The buttons are written down')) router.refresh();
  };
  const proposed = useMemo(() => propose(map, buttons), [map, buttons]);
  if (isReaching && source)
    return (
      <ReachScreen
        source={source}
        simulated={simulated}
        buttons={buttons}
        map={map}
        onDone={measured}
        onEnd={() => setReaching(false)}
      />
    );
  const conflicts = conflictsOf(map, buttons);
  const moves = movesOf(map, proposed);
  const nameOf = (index: number | null | undefined) =>
    buttons.find((one) => one.index === index)?.name ?? 'no button';
  const isAllMeasured = buttons.length > 0 && buttons.every(({ seconds }) => seconds !== null);
  return (
    <StationPage
      finding={headingOf(view, buttons, conflicts.length, map)}
      subtitle={`Press a button of the ${view.rig.name}: it comes into the list. Dashed ones are not measured yet.`}
      next={
        <>
          {isChanged && (
            <NextStep
              number={1}
              title="Keep what you wrote"
              actions={
                <>
                  <Button look={moves.length === 0 ? 'next' : 'plain'} onClick={() => void keep()}>
                    Keep
                  </Button>
                  <Button
                    onClick={() => {
                      setRim(kept);
                      setMap(view.buttonMap);
                    }}
                  >
                    Put back
                  </Button>
                </>
              }
            >
              The card of this combination shows it.
            </NextStep>
          )}
          {buttons.length > 0 && !isAllMeasured && (
            <NextStep
              number={isChanged ? 2 : 1}
              title="How far is each from your grip?"
              actions={
                <Button
                  look={isChanged ? 'plain' : 'next'}
                  disabled={!source}
                  onClick={() => setReaching(true)}
                >
                  Measure the reach
                </Button>
              }
            >
              Rest your hands as when driving, press what is named: {Math.ceil(buttons.length * 6.5)} s. Until
              then each takes as long as its place usually does.
            </NextStep>
          )}
          {Object.keys(map.on).length === 0 && (
            <NextStep
              number={1 + (isChanged ? 1 : 0) + (buttons.length > 0 && !isAllMeasured ? 1 : 0)}
              title={`What can be pressed in ${view.names.title}?`}
              actions={<Button onClick={() => setMap({ ...map, on: USUAL_ACTIONS })}>The usual ones</Button>}
            >
              Look back, brake balance, lights, reset, pause and what else most titles have; the list below
              takes one out or puts one in.
            </NextStep>
          )}
          {moves.length > 0 && (
            <NextStep
              number={1 + (isChanged ? 1 : 0) + (isAllMeasured ? 0 : 1)}
              title={`Where ${moves.length === 1 ? 'it lies' : 'they lie'} best`}
              actions={
                <Button look="next" onClick={() => setMap({ ...map, on: proposed })}>
                  Take it
                </Button>
              }
            >
              <ul>
                {moves.map((id) => (
                  <li key={id}>
                    {capital(ACTIONS[id].word)}: {nameOf(map.on[id])} → {nameOf(proposed[id])}
                  </li>
                ))}
              </ul>
              <p className="mt-1">
                Least time in sum, what is wanted in mid-corner under a thumb, nothing that costs the ride
                beside it{isAllMeasured ? '; by your own reach.' : '; by usual reach, not yours.'}
              </p>
            </NextStep>
          )}
          {!isChanged && moves.length === 0 && buttons.length > 0 && (
            <NextStep
              number={isAllMeasured ? 1 : 2}
              title="Take it along"
              actions={
                <Button
                  onClick={() =>
                    downloadText(
                      `${view.names.rig}.rim.json`,
                      writeRimJson({ buttons, map }),
                      'application/json',
                    )
                  }
                >
                  Save as a file
                </Button>
              }
            >
              The rim with its reach, and what lies where in {view.names.title}.
            </NextStep>
          )}
        </>
      }
    >
      <RimPicture buttons={buttons} map={map} />
      {conflicts.length > 0 && (
        <ul aria-label="Conflicts" className="max-w-2xl border-l-3 border-rust pl-3 text-[15px]">
          {conflicts.map((conflict) => (
            <li key={`${conflict.kind}/${conflict.action}`}>{conflictSaid(conflict, buttons)}</li>
          ))}
        </ul>
      )}
      <div className="mt-2 flex flex-wrap gap-2" role="group" aria-label="Made for">
        <Choice isOn={map.isPractice} onClick={() => setMap({ ...map, isPractice: !map.isPractice })}>
          For practice: a reset near
        </Choice>
        <Choice isOn={map.isConsole} onClick={() => setMap({ ...map, isConsole: !map.isConsole })}>
          On a console: fewer arrive
        </Choice>
      </div>
      <h2 className="mt-6 font-bold">The rim</h2>
      {buttons.length > 0 && (
        <ButtonTable buttons={buttons} isConsole={map.isConsole} onChange={setButtons} />
      )}
      {view.rig.spec.paddles && (
        <div className="mt-2 max-w-md">
          <SelectField
            label="Analogue paddles"
            value={rim.paddleMode}
            options={PADDLE_MODES.map((value) => ({ value, name: PADDLE_WORDS[value] }))}
            onChange={(paddleMode) => setRim({ ...rim, paddleMode })}
          />
        </div>
      )}
      <RimFields fields={rim.fields} onChange={(fields) => setRim({ ...rim, fields })} />
      <h2 className="mt-6 font-bold">In {view.names.title}</h2>
      <ActionTable buttons={buttons} map={map} onChange={setMap} />
    </StationPage>
  );
}

/** What most titles let one press; where nothing lies yet. */
const USUAL_ACTIONS: ButtonMap['on'] = Object.fromEntries(
  (
    [
      'brake-balance-front',
      'brake-balance-rear',
      'look-back',
      'flash',
      'limiter',
      'camera',
      'reset',
      'pause',
    ] as const
  ).map((id) => [id, null]),
);

const rimOf = ({ buttons, paddleMode, fields }: RigSpec['rim']): Rim => ({ buttons, paddleMode, fields });

/** A button that was pressed for the first time comes into the list. */
function withButton(rim: Rim, index: number): Rim {
  if (rim.buttons.some((one) => one.index === index)) return rim;
  const added: RimButton = {
    ...{ index, name: `button ${index + 1}`, kind: 'button', spot: 'centre' },
    ...{ seconds: null, hitInstead: [], passes: true },
  };
  return { ...rim, buttons: [...rim.buttons, added].sort((a, b) => a.index - b.index) };
}

function propose(map: ButtonMap, buttons: readonly RimButton[]): ButtonMap['on'] {
  const actions = ACTION_IDS.filter((id) => map.on[id] !== undefined);
  return assignButtons({ buttons, actions, isPractice: map.isPractice, isConsole: map.isConsole });
}

/** What lies elsewhere in the proposal. */
const movesOf = (map: ButtonMap, proposed: ButtonMap['on']): ActionId[] =>
  ACTION_IDS.filter((id) => map.on[id] !== undefined && map.on[id] !== proposed[id]);

function headingOf(view: BookView, buttons: readonly RimButton[], conflicts: number, map: ButtonMap): string {
  if (buttons.length === 0) return `Which buttons has the ${view.rig.name}?`;
  const placed = ACTION_IDS.filter((id) => map.on[id] !== undefined && map.on[id] !== null).length;
  if (placed === 0) return `${buttons.length} buttons, and what they do in ${view.names.title}`;
  if (conflicts > 0)
    return `${placed} actions on ${buttons.length} buttons, ${conflicts} of them badly placed`;
  return `${placed} actions on ${buttons.length} buttons, none beside a danger`;
}
