'use client';

import { useEffect, useState } from 'react';
import { obedientMotion, type Motion } from '@/core/axes/actor';
import type { CaptureStep } from '@/core/axes/programme';
import { AXES, AXIS_WORDS, type AxisName } from '@/core/axes/axes';
import type { SimulatedRig } from '@/devices/simulatedRig';
import type { DeviceState } from '@/devices/source';
import { PaceChoice } from './PaceChoice';
import { Choice } from './Choice';
import { CheckField } from '@/ui/CheckField';

const pedalMotions = (axis: AxisName): [Motion, string][] => [
  ['off', 'Lift off'],
  ['rest', 'Rest on it'],
  ['takeup', 'Take up'],
  ['sweep', 'Sweep'],
  ['press', AXES[axis].verb],
];
const WHEEL_MOTIONS: [Motion, string][] = [
  ['off', 'Let go'],
  ['sweep', 'Lock to lock'],
  ['hold:90', 'Left 90°'],
  ['hold:-90', 'Right 90°'],
];
const LEVER_MOTIONS: [Motion, string][] = [
  ['off', 'Neutral'],
  ['gate:1', 'First'],
  ['gate:-1', 'Reverse'],
];

function motionsOf(axis: AxisName): [Motion, string][] {
  if (axis === 'steering') return WHEEL_MOTIONS;
  return axis === 'gear' ? LEVER_MOTIONS : pedalMotions(axis);
}

interface Props {
  rig: SimulatedRig;
  state: DeviceState;
  axis: AxisName;
  step: CaptureStep | null;
  /** Called by the capture at every new step; at a fast pace a rendered step would come too late. */
  followRef: React.RefObject<((step: CaptureStep | null, axis: AxisName) => void) | null>;
}

/** Tells the simulated hand or foot what to do, or lets it follow the guide. */
export function SimulatedPanel({ rig, state, axis, step, followRef }: Props) {
  const [follows, setFollows] = useState(true);
  const [told, setTold] = useState<Motion>('off');
  const wanted = follows ? obedientMotion(step) : told;
  useEffect(() => rig.perform(axis, wanted), [rig, axis, wanted]);
  useEffect(() => {
    followRef.current = follows ? (next, on) => rig.perform(on, obedientMotion(next)) : null;
  }, [rig, follows, followRef]);
  // Only when the capture ends: a new pace must not lift the foot.
  useEffect(
    () => () => {
      rig.perform(axis, 'off');
    },
    [rig, axis],
  );
  return (
    <fieldset className="mt-2 border-b border-line pb-4">
      <legend className="py-3 text-[16px] font-semibold">Simulated {AXES[axis].limb.toLowerCase()}</legend>
      <p className="text-[15px] text-muted">
        No hardware here: it stands in for yours on the {AXIS_WORDS[axis]}.
      </p>
      <CheckField label="Does as the guide says" checked={follows} onChange={setFollows} />
      <div className="grid grid-cols-2 gap-2" role="group" aria-label="What it does">
        {motionsOf(axis).map(([motion, name]) => (
          <Choice
            key={motion}
            isOn={wanted === motion}
            onClick={() => {
              setFollows(false);
              setTold(motion);
            }}
          >
            {name}
          </Choice>
        ))}
      </div>
      <PaceChoice />
      <div className="mt-3 flex flex-wrap gap-2">
        <Choice isOn={state === 'gone'} onClick={() => (state === 'gone' ? rig.plugIn() : rig.unplug())}>
          {state === 'gone' ? 'Plug in' : 'Unplug'}
        </Choice>
        <Choice isOn={false} onClick={() => rig.pressButton()}>
          Device button
        </Choice>
      </div>
    </fieldset>
  );
}
