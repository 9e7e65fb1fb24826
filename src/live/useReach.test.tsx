import { act, renderHook } from '@testing-library/react';
import { RIMS } from '@/catalog/rims';
import type { RimButton } from '@/core/rig/rimButton';
import { listenerSet, type DeviceSource, type DeviceState } from '@/devices/source';
import { useReach } from './useReach';

/** A rim whose buttons are pressed by the test. */
function rim() {
  const listeners = listenerSet();
  let state: DeviceState = 'live';
  const source: DeviceSource = {
    info: { id: 'rim', label: 'Rim', kind: 'real', ranges: {}, rateHz: 60, rawAxes: 0 },
    get state() {
      return state;
    },
    subscribe: listeners.subscribe,
    close: () => undefined,
  };
  return {
    source,
    press: (index: number) => listeners.tell('button', index),
    become(next: DeviceState) {
      state = next;
      listeners.tell('state', next);
    },
  };
}

it('a wheel that is unplugged in the middle is told, waited for, and costs no button', () => {
  jest.useFakeTimers();
  const buttons = RIMS.tern.slice(0, 2);
  const { source, press, become } = rim();
  let measured: RimButton[] | null = null;
  const { result } = renderHook(() => useReach(source, null, buttons, (all) => (measured = all)));
  const wait = (ms: number) => act(() => jest.advanceTimersByTime(ms));
  const pressAsked = () => {
    wait(2500);
    const { state } = result.current;
    if (state.kind === 'press') act(() => press(state.index));
  };
  pressAsked();
  expect(result.current).toMatchObject({ done: 1, of: 6, isGone: false });
  act(() => become('gone'));
  // Longer than any press is waited for.
  wait(60_000);
  expect(result.current).toMatchObject({ done: 1, isGone: true, state: { kind: 'rest' } });
  act(() => become('live'));
  for (let i = 0; i < 5; i++) pressAsked();
  expect(result.current).toMatchObject({ done: 6, isGone: false });
  expect(measured).toHaveLength(2);
  for (const { seconds } of measured!) expect(seconds).not.toBeNull();
  jest.useRealTimers();
});
