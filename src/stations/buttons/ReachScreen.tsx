'use client';

import type { RimButton } from '@/core/rig/rimButton';
import type { SimulatedRig } from '@/devices/simulatedRig';
import type { DeviceSource } from '@/devices/source';
import type { ButtonMap } from '@/core/buttons/buttonMap';
import { useReach } from '@/live/useReach';
import { Button } from '@/ui/Button';
import { ProgressBar } from '@/ui/ProgressBar';
import { NextStep, StationPage } from '@/ui/StationPage';
import { RimPicture } from './RimPicture';

/** How long each button takes from the resting grip, and how often another one is hit. */
export function ReachScreen({
  source,
  simulated,
  buttons,
  map,
  onDone,
  onEnd,
}: {
  source: DeviceSource;
  simulated: SimulatedRig | null;
  buttons: readonly RimButton[];
  map: ButtonMap;
  onDone(measured: RimButton[]): void;
  onEnd(): void;
}) {
  const { state, done, of, isGone } = useReach(source, simulated, buttons, onDone);
  const asked = state.kind === 'press' ? state.index : null;
  const name = buttons.find(({ index }) => index === asked)?.name;
  return (
    <StationPage
      finding={name ? `Press: ${name}` : 'Hands at rest, as when driving'}
      subtitle={
        isGone
          ? 'The wheel is unplugged. What was measured is kept; plug it in to go on.'
          : 'Each button three times, in no order. What is pressed in its place is counted as a slip.'
      }
      next={
        <NextStep title="Under way" actions={<Button onClick={onEnd}>End</Button>}>
          <ProgressBar share={done / Math.max(1, of)} label="Reach">
            {done} of {of}
          </ProgressBar>
        </NextStep>
      }
    >
      <RimPicture buttons={buttons} map={map} asked={asked} />
    </StationPage>
  );
}
