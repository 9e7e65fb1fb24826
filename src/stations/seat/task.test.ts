import { simulatedRigById } from '@/catalog/find';
import type { BookView } from '@/book/model/bookView';
import { stepsAmong, tasksFor, wishOf } from './task';

const view = { rig: { spec: simulatedRigById('gannet').spec }, axes: [] } as unknown as BookView;
const kinds = (wish: string, isTaught = true) =>
  tasksFor(view, wishOf(wish), isTaught).map((task) =>
    'axis' in task ? `${task.kind} ${task.axis}` : task.kind,
  );

it('a whole go readies the rig, takes every axis with its advice, proves, and ends', () => {
  const all = kinds('all');
  expect(all[0]).toBe('ready');
  expect(all.slice(-2)).toEqual(['proof', 'done']);
  expect(all.filter((kind) => kind.startsWith('capture'))).toHaveLength(7);
  expect(all.indexOf('advise brake')).toBe(all.indexOf('capture brake') + 1);
});

it('the buttons are taught first where they are not known, whatever one came for', () => {
  for (const wish of ['all', 'ready', 'axes', 'check', 'card', 'least']) {
    expect(kinds(wish, false)[0]).toBe('teach');
    expect(kinds(wish, false).slice(1)).toEqual(kinds(wish));
  }
});

it('an address that asks for nothing there is gets everything', () => {
  for (const asked of [undefined, '', 'nonsense', 'toString', '__proto__']) expect(wishOf(asked)).toBe('all');
  expect(wishOf('card')).toBe('card');
});

it('advice and the end are no steps of their own', () => {
  expect(stepsAmong(tasksFor(view, 'axes', true))).toBe(8);
  expect(stepsAmong(tasksFor(view, 'card', true))).toBe(1);
});
