import { act, renderHook } from '@testing-library/react';
import { listenerSet, type DeviceSource } from '@/devices/source';
import { mappedTo, useMapped } from './useMapped';
import { useRimAnswers } from './useRimAnswers';

const listeners = listenerSet();
const source: DeviceSource = {
  info: { id: 'rim', label: 'Rim', kind: 'real', ranges: {}, rateHz: 60, rawAxes: 0 },
  state: 'live',
  subscribe: listeners.subscribe,
  close: () => undefined,
};
const press = (index: number) => act(() => listeners.tell('button', index));

it('a button does here what it is mapped to in the title, and nothing that is not done here', () => {
  const told: string[] = [];
  const map = { on: { reset: 4, pause: 5, horn: 6 } };
  const { rerender, unmount } = renderHook(
    ({ on }) =>
      useMapped(source, { on }, { reset: () => told.push('back'), pause: () => told.push('still') }),
    { initialProps: map as { on: Record<string, number> } },
  );
  press(4);
  press(6);
  press(5);
  expect(told).toEqual(['back', 'still']);
  // Mapped anew, it is the new button at once.
  rerender({ on: { reset: 7 } });
  press(4);
  press(7);
  expect(told).toEqual(['back', 'still', 'back']);
  unmount();
  press(7);
  expect(told).toHaveLength(3);
});

it('what is mapped says neither yes nor no', () => {
  const map = { on: { reset: 4 } };
  const done = { reset: () => undefined };
  const said: string[] = [];
  renderHook(() =>
    useRimAnswers(
      source,
      (index) => (mappedTo(map, done, index) ? null : 'yes'),
      (one) => said.push(one),
    ),
  );
  press(4);
  press(2);
  expect(said).toEqual(['yes']);
  expect([mappedTo(map, done, 4), mappedTo(map, done, 5), mappedTo(map, {}, 4)]).toEqual([
    'reset',
    null,
    null,
  ]);
});
