import { fireEvent, renderHook } from '@testing-library/react';
import type { AxisName } from '@/core/axes/axes';
import { listenerSet, type DeviceSource } from '@/devices/source';
import type { Answer } from '@/live/answerButtons';
import { useSeatAnswer } from './useSeatAnswer';

const RATE_HZ = 100;

function pedals() {
  const listeners = listenerSet();
  let t = 0;
  const source = {
    info: { id: 'd', ranges: { brake: { min: 0, max: 1000 }, steering: { min: 0, max: 1000 } } },
    state: 'live',
    subscribe: listeners.subscribe,
    close: listeners.clear,
  } as unknown as DeviceSource;
  return {
    source,
    hold(axis: AxisName, raw: number, seconds: number) {
      const n = Math.round(seconds * RATE_HZ);
      const times = Float64Array.from({ length: n }, () => (t += 1 / RATE_HZ));
      listeners.tell('samples', { t: times, axes: { [axis]: new Float64Array(n).fill(raw) } });
    },
    press: (button: number) => listeners.tell('button', button),
  };
}

/** Button 0 was taught to say yes, 1 no. */
const meaning = (button: number): Answer | null => (button === 0 ? 'yes' : button === 1 ? 'no' : null);

function listen(holds = true, released: { brake?: number } = {}) {
  const rig = pedals();
  const heard: Answer[] = [];
  const hook = renderHook(
    ({ on }) => useSeatAnswer(rig.source, { meaning, released }, (answer) => heard.push(answer), on),
    {
      initialProps: { on: holds },
    },
  );
  return { ...rig, heard, ...hook };
}

it('hears the taught buttons, and no others', () => {
  const { press, heard } = listen();
  for (const button of [0, 1, 5]) press(button);
  expect(heard).toEqual(['yes', 'no']);
});

it('a pedal held down for a second says yes once, and again only after it was let go', () => {
  const { hold, heard } = listen();
  hold('brake', 0, 0.5);
  hold('brake', 900, 0.8);
  expect(heard).toEqual([]);
  hold('brake', 900, 5);
  expect(heard).toEqual(['yes']);
  hold('brake', 0, 0.5);
  hold('brake', 900, 2);
  expect(heard).toEqual(['yes', 'yes']);
});

it('a press that is shorter, lighter or let go in between says nothing', () => {
  const { hold, heard } = listen();
  hold('brake', 0, 0.5);
  for (let i = 0; i < 4; i++) {
    hold('brake', 900, 0.9);
    hold('brake', 100, 0.1);
  }
  hold('brake', 500, 5);
  expect(heard).toEqual([]);
});

it('a pedal that reads the other way round is held as well; a wheel that is turned is not', () => {
  const { hold, heard } = listen();
  hold('steering', 0, 0.5);
  hold('steering', 1000, 3);
  expect(heard).toEqual([]);
  hold('brake', 1000, 0.5);
  hold('brake', 50, 2);
  expect(heard).toEqual(['yes']);
});

it('a pedal that is still down from before, and is let go then, says nothing', () => {
  const { hold, heard } = listen(true, { brake: 40 });
  hold('brake', 900, 3);
  hold('brake', 40, 3);
  expect(heard).toEqual([]);
  hold('brake', 900, 1.5);
  expect(heard).toEqual(['yes']);
});

it('while pedals are measured a held one says nothing; the buttons still do', () => {
  const { hold, press, heard } = listen(false);
  hold('brake', 0, 0.5);
  hold('brake', 900, 3);
  press(0);
  expect(heard).toEqual(['yes']);
});

it('on the desk the keys say so too, but not the one that presses a button of the page', () => {
  const { heard } = listen();
  for (const key of ['y', 'n', 'Enter', 'x']) fireEvent.keyDown(document.body, { key });
  expect(heard).toEqual(['yes', 'no', 'yes']);
  const button = document.body.appendChild(document.createElement('button'));
  fireEvent.keyDown(button, { key: 'Enter' });
  expect(heard).toHaveLength(3);
  button.remove();
});

it('hears nothing any more once it is gone', () => {
  const { unmount, press, hold, heard } = listen();
  unmount();
  press(0);
  hold('brake', 0, 0.5);
  hold('brake', 900, 3);
  fireEvent.keyDown(document.body, { key: 'y' });
  expect(heard).toEqual([]);
});
