import { useCallback, useEffect, useState } from 'react';
import { reachRun, type ReachState } from '@/core/buttons/reachRun';
import type { RimButton } from '@/core/rig/rimButton';
import type { SimulatedRig } from '@/devices/simulatedRig';
import type { DeviceSource } from '@/devices/source';

const TICK_MS = 30;
/** A simulated hand takes as long as its place usually does. */
const HAND_MS = 500;

export interface Reach {
  state: ReachState;
  done: number;
  of: number;
  /** The device is unplugged; what was asked for is asked for again when it is back. */
  isGone: boolean;
}

/** A reach capture while the component stands: what is asked, and what comes of it. A simulated hand follows. */
export function useReach(
  source: DeviceSource,
  simulated: SimulatedRig | null,
  buttons: readonly RimButton[],
  onDone: (measured: RimButton[]) => void,
): Reach {
  // An order that nobody knows, for as long as the component stands.
  const [run] = useState(() => reachRun(buttons, Date.now() % 2 ** 31));
  const [shown, setShown] = useState({ state: run.state, ...run.progress });
  const [isGone, setGone] = useState(source.state === 'gone');
  const tell = useCallback(() => {
    setShown((now) =>
      now.state === run.state && now.done === run.progress.done ? now : { state: run.state, ...run.progress },
    );
  }, [run]);
  useEffect(() => {
    const seconds = () => performance.now() / 1000;
    let isOver = false;
    const end = () => {
      if (isOver || run.state.kind !== 'done') return;
      isOver = true;
      onDone(run.result());
    };
    const stop = source.subscribe({
      state(next) {
        setGone(next === 'gone');
        if (next !== 'gone') return;
        run.interrupt();
        tell();
      },
      button(index) {
        run.press(index, seconds());
        tell();
        end();
      },
    });
    const timer = setInterval(() => {
      if (source.state === 'gone') return;
      run.tick(seconds());
      tell();
      end();
    }, TICK_MS);
    return () => {
      isOver = true;
      stop();
      clearInterval(timer);
    };
  }, [run, source, tell, onDone]);
  const asked = shown.state.kind === 'press' ? shown.state.index : null;
  useEffect(() => {
    if (asked === null || !simulated) return;
    const timer = setTimeout(() => simulated.pressButton(asked), HAND_MS);
    return () => clearTimeout(timer);
    // A button that is asked for twice in a row is pressed twice.
  }, [asked, shown.done, simulated]);
  return { ...shown, isGone };
}
