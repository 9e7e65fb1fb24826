'use client';

import { useCallback, useEffect, useState } from 'react';
import { useRouter } from 'next/navigation';
import isEqual from 'fast-deep-equal';
import { ACTION_IDS } from '@/core/buttons/actions';
import { conflictsOf, type ButtonMap } from '@/core/buttons/buttonMap';
import { PADDLE_MODES, type RigSpec } from '@/core/rig/rigSpec';
import type { RimButton } from '@/core/rig/rimButton';
import type { BookView } from '@/book/model/bookView';
import { saveMap, saveRim } from '@/book/write/buttons';
import { useLiveRig } from '@/live/liveRig';
import { Choice } from '@/parts/Choice';
import { notifyReply } from '@/parts/notifyReply';
import { SelectField } from '@/ui/fields';
import { useUnsavedGuard } from '@/ui/unsavedGuard';
import { StationPage } from '@/ui/StationPage';
import { conflictSaid, PADDLE_WORDS } from '@/words/buttons';
import { ActionTable } from './ActionTable';
import { ButtonSteps } from './ButtonSteps';
import { ButtonTable } from './ButtonTable';
import { ReachScreen } from './ReachScreen';
import { RimFields } from './RimFields';
import { RimPicture } from './RimPicture';
import { useBestPlaces } from './useBestPlaces';

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
  useUnsavedGuard(isChanged ? 'What you wrote of the buttons' : null);
  const setButtons = (next: RimButton[]) => setRim((now) => ({ ...now, buttons: next }));
  useEffect(() => {
    if (!source || isReaching) return;
    return source.subscribe({ button: (index) => setRim((now) => withButton(now, index)) });
  }, [source, isReaching]);
  const measured = useCallback((next: RimButton[]) => {
    setButtons(next);
    setReaching(false);
  }, []);
  const keep = async () => {
    if (!isEqual(rim, kept) && !notifyReply(await saveRim(rim))) return;
    if (notifyReply(await saveMap(map), 'The buttons are written down')) router.refresh();
  };
  const best = useBestPlaces(map, buttons);
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
  return (
    <StationPage
      finding={headingOf(view, buttons, conflicts.length, map)}
      subtitle={`Press a button of the ${view.rig.name}: it comes into the list. Dashed ones are not measured yet.`}
      next={
        <ButtonSteps
          names={view.names}
          buttons={buttons}
          map={map}
          best={best}
          isChanged={isChanged}
          canMeasure={source !== null}
          onKeep={() => void keep()}
          onPutBack={() => {
            setRim(kept);
            setMap(view.buttonMap);
          }}
          onMeasure={() => setReaching(true)}
          onMap={setMap}
        />
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

function headingOf(view: BookView, buttons: readonly RimButton[], conflicts: number, map: ButtonMap): string {
  if (buttons.length === 0) return `Which buttons has the ${view.rig.name}?`;
  const placed = ACTION_IDS.filter((id) => map.on[id] !== undefined && map.on[id] !== null).length;
  if (placed === 0) return `${buttons.length} buttons, and what they do in ${view.names.title}`;
  if (conflicts > 0)
    return `${placed} actions on ${buttons.length} buttons, ${conflicts} of them badly placed`;
  return `${placed} actions on ${buttons.length} buttons, none beside a danger`;
}
