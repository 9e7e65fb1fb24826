import { RIMS } from '@/catalog/rims';
import { act, renderHook } from '@testing-library/react';
import { listenerSet, type DeviceSource } from '@/devices/source';
import { useAnswerButtons } from './answerButtons';

function pad(id: string) {
  const listeners = listenerSet();
  const source = { info: { id }, subscribe: listeners.subscribe } as unknown as DeviceSource;
  return { source, press: (index: number) => act(() => listeners.tell('button', index)) };
}
beforeEach(() => localStorage.clear());

it('any button says yes until one is taught; then that one alone, and the other says no', () => {
  const { source, press } = pad('wheel');
  const { result } = renderHook(() => useAnswerButtons(source));
  expect([0, 3].map(result.current.meaning)).toEqual(['yes', 'yes']);
  act(() => result.current.learn('yes'));
  // What is pressed to teach is no answer.
  expect(result.current.meaning(4)).toBeNull();
  press(4);
  act(() => result.current.learn('no'));
  press(7);
  expect([4, 7, 1].map(result.current.meaning)).toEqual(['yes', 'no', null]);
  expect(result.current.learning).toBeNull();
});

it('a button means one thing: taught as the other, it no longer means the first', () => {
  const { source, press } = pad('wheel');
  const { result } = renderHook(() => useAnswerButtons(source));
  for (const answer of ['yes', 'no'] as const) {
    act(() => result.current.learn(answer));
    press(4);
  }
  expect(result.current.buttons).toEqual({ yes: null, no: 4 });
});

it('what was taught is remembered for that device, and a simulated rig comes taught', () => {
  const first = pad('wheel');
  const { result, unmount } = renderHook(() => useAnswerButtons(first.source));
  act(() => result.current.learn('no'));
  first.press(2);
  unmount();
  const again = renderHook(() => useAnswerButtons(pad('wheel').source));
  expect(again.result.current.buttons).toEqual({ yes: null, no: 2 });
  expect(renderHook(() => useAnswerButtons(pad('other').source)).result.current.buttons.no).toBeNull();
  const simulated = renderHook(() => useAnswerButtons(pad('simulated:tern').source));
  expect(simulated.result.current.buttons).toEqual({ yes: 0, no: 1 });
});

it('a button goes by what its driver calls it, else by its number; a simulated rig has two paddles', () => {
  const { result } = renderHook(() => useAnswerButtons(pad('wheel').source));
  expect(result.current.nameOf(4)).toBe('button 5');
  act(() => result.current.call(4, 'right paddle'));
  expect([4, 5].map(result.current.nameOf)).toEqual(['right paddle', 'button 6']);
  act(() => result.current.call(4, ''));
  expect(result.current.nameOf(4)).toBe('button 5');
  const simulated = renderHook(() => useAnswerButtons(pad('simulated:tern').source));
  expect([0, 1].map(simulated.result.current.nameOf)).toEqual(['right paddle', 'left paddle']);
});

it.each(['{', '"text"', '7'])('a memory that holds %s is none', (spoilt) => {
  localStorage.setItem('pebble-answers:wheel', spoilt);
  const { result } = renderHook(() => useAnswerButtons(pad('wheel').source));
  expect(result.current.buttons).toEqual({ yes: null, no: null });
});

it('where nothing is taught, the shift paddles of a rim that is written down say yes and no, and buttons bear its names', () => {
  const on = (source: ReturnType<typeof pad>['source']) =>
    renderHook(() => useAnswerButtons(source, RIMS.tern)).result;
  const untaught = on(pad('rim').source);
  expect([0, 1, 2].map(untaught.current.meaning)).toEqual(['yes', 'no', null]);
  expect(untaught.current.nameOf(2)).toBe('left thumb');
  // What was taught counts for more.
  const { source, press } = pad('taught rim');
  const taught = on(source);
  act(() => taught.current.learn('yes'));
  press(5);
  expect([0, 5].map(taught.current.meaning)).toEqual([null, 'yes']);
});
