import { TITLES } from '@/catalog/titles';
import { titleDocument } from '@/catalog/ownTitle';
import type { Things } from '@/core/formats/thingsJson';
import { knownOfACar } from '@/core/vehicle/carClass';
import { sharedThings } from './sharedThings';

const car = { name: 'Loft Special', className: 'road', ...knownOfACar(() => null), lockDeg: 400 };
const title = titleDocument(TITLES[0]!);
const base = { name: 'Loft base', steering: [], axes: [], fields: [] };
const NOTHING = { titles: [], cars: [], roads: [], base: null };
const PACK: Things = { titles: [title], cars: [car], roads: [], base, origin: 'a friend' };

it('what the book has not is new; what it has is the same, or says value by value what would change', () => {
  expect(sharedThings(PACK, NOTHING).map(({ kind, state }) => `${kind} ${state}`)).toEqual([
    'title new',
    'car new',
    'base new',
  ]);
  const own = {
    ...NOTHING,
    titles: [{ id: 'own-1', document: { ...title, origin: 'typed by myself' } }],
    cars: [{ id: 'own-car-1', document: { ...car, name: 'LOFT SPECIAL', lockDeg: 420 } }],
    base,
  };
  const [first, second, third] = sharedThings(PACK, own);
  // Where it comes from is no value of it; a name in capitals is the same name.
  expect(first).toMatchObject({ state: 'same', replaces: 'own-1' });
  expect(second).toMatchObject({ state: 'changes', replaces: 'own-car-1' });
  expect(second!.changes).toContainEqual({ where: 'lockDeg', from: '420', to: '400' });
  expect(third).toMatchObject({ kind: 'base', state: 'same' });
});
