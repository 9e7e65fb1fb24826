import { carById, simulatedRigById, titleById } from '@/catalog/find';
import { menusFor } from '@/catalog/menusFor';
import { EMPTY_MAP } from '@/core/buttons/buttonMap';
import type { SettingValues } from '@/core/settings/setting';
import type { BookView } from '../model/bookView';
import { cardToType } from './cardToType';

const rig = simulatedRigById('tern');
const [title, car] = [titleById('causeway'), carById('marl-850')];
const view = (settings: SettingValues, changed: string[] | null): BookView =>
  ({
    rig,
    title,
    car,
    names: { rig: 'Tern', title: 'Causeway', car: car.name, driver: 'Late shift' },
    menus: menusFor(rig.spec, title, car),
    settings,
    origins: {},
    rotation: { baseDeg: 1080 },
    buttonMap: EMPTY_MAP,
    ready: { titleVersion: '', stamp: { firmware: '' } },
    axes: [],
    typedIn: changed && { atMs: 0, version: '', since: changed, changed },
  }) as unknown as BookView;

const SET: SettingValues = { 'title/brake/deadzone': 4, 'base/steering/strength': 80 };
const keys = (lines: ReturnType<typeof cardToType>['changed']) =>
  lines.map(({ key }) => `${key.layer}/${key.axis}/${key.field}`).sort();

it('never typed in, what is away from its neutral comes first', () => {
  const { changed, rest } = cardToType(view(SET, null));
  expect(keys(changed)).toEqual(['base/steering/strength', 'title/brake/deadzone']);
  expect(rest.length).toBeGreaterThan(20);
  expect(rest.every(({ isNeutral }) => isNeutral)).toBe(true);
});

it('typed in before, only what changed since; a value back at its neutral is one of them', () => {
  const { changed, rest } = cardToType(view(SET, ['title/brake/deadzone', 'title/steering/deadzone']));
  expect(keys(changed)).toEqual(['title/brake/deadzone', 'title/steering/deadzone']);
  expect(keys(rest)).toContain('base/steering/strength');
  expect(cardToType(view(SET, [])).changed).toEqual([]);
});

it('nothing is asked twice, and nothing left out', () => {
  const { changed, rest } = cardToType(view(SET, null));
  expect(new Set([...keys(changed), ...keys(rest)]).size).toBe(changed.length + rest.length);
});
