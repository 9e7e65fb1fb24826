import { simulatedRigById } from '@/catalog/find';
import type { BookView } from '@/book/model/bookView';
import { endOf, stepsAmong, TASK_VIEWS, tasksFor, wishOf, type SeatWish } from './tasks';

const WISHES: SeatWish[] = ['all', 'ready', 'axes', 'check', 'card', 'minimum-force', 'base', 'verdict'];
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
  for (const wish of WISHES) {
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

it('every task of every go has a view of its own', () => {
  const drawn = WISHES.flatMap((wish) => tasksFor(view, wish, false).map(({ kind }) => TASK_VIEWS[kind]));
  expect(drawn.every((one) => typeof one === 'function')).toBe(true);
  expect(new Set(drawn).size).toBe(10);
});

describe('the end of a go', () => {
  const brake = { name: 'Brake', capture: { id: 'b' } };
  const clutch = { name: 'Clutch', capture: null };
  const passed = { axis: 'brake', kind: 'rest', passed: true, low: 0, high: 0 };
  const at = (part: object) =>
    ({ ...view, names: { rig: 'Gannet', title: 'Causeway' }, ...part }) as unknown as BookView;

  it('says what was proved, what did not come, and what was not measured', () => {
    expect(endOf(at({ proof: null, axes: [] }), 'all').title).toBe('Not proved yet');
    const proof = { results: [passed, passed] };
    expect(endOf(at({ proof, axes: [brake] }), 'axes')).toEqual({
      title: 'The axes of the Gannet are settled',
      how: '2 checks passed, signed. The trail holds what is to be typed into Causeway.',
      leaveTo: '/axes/check',
    });
    expect(endOf(at({ proof, axes: [brake, clutch] }), 'check').how).toBe('Not measured: clutch.');
  });

  it('is ready where pre-flight is settled, and gives its reason where it is not', () => {
    const road = (health: string) => [{ id: 'ready', health, reason: '3 things to check' }];
    expect(endOf(at({ road: road('settled') }), 'ready').title).toBe('Ready');
    expect(endOf(at({ road: road('look') }), 'ready')).toEqual({
      title: 'Not all of it yet',
      how: '3 things to check.',
      leaveTo: '/ready',
    });
  });

  it('leaves to where one came for', () => {
    expect(endOf(view, 'card').leaveTo).toBe('/card');
    expect(endOf(view, 'minimum-force').leaveTo).toBe('/force');
  });
});
