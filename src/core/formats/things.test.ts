import fc from 'fast-check';
import { CAR_CLASSES } from '@/catalog/carClasses';
import { TITLES } from '@/catalog/titles';
import { titleDocument } from '@/catalog/ownTitle';
import { TRACKS } from '@/catalog/tracks';
import { knownOfACar } from '../vehicle/carClass';
import { differences } from './differences';
import { readBaseJson, readThingsJson, writeBaseJson, writeThingsJson, type Things } from './thingsJson';

const road = ({ id: _, ...track }: (typeof TRACKS)[number]) => ({ ...track, origin: '' });
const THINGS: Things = {
  titles: TITLES.map(titleDocument),
  cars: [{ name: 'Loft Special', className: CAR_CLASSES[0]!.id, ...knownOfACar(() => null), massKg: 900 }],
  roads: TRACKS.map(road),
  base: { name: 'Loft base', steering: [], axes: ['brake'], fields: [] },
  origin: 'Late shift, 5 January',
};

it('everything that can be described goes into one file and comes out as it was', () => {
  expect(readThingsJson(writeThingsJson(THINGS))).toEqual({ ok: true, value: THINGS });
  expect(readBaseJson(writeBaseJson(THINGS.base!))).toEqual({ ok: true, value: THINGS.base });
});

it('one part that is none keeps all of it out, and says which', () => {
  const broken = { ...THINGS, roads: [road({ ...TRACKS[0]!, segments: TRACKS[0]!.segments.slice(0, 3) })] };
  expect(readThingsJson(writeThingsJson(broken))).toMatchObject({
    ok: false,
    problems: [{ code: 'not-closed', place: { column: 'roads[0]' } }],
  });
  const [title] = THINGS.titles;
  const page = title!.pages[0]!;
  const twice = { ...title!, pages: [{ ...page, fields: [page.fields[0]!, page.fields[0]!] }] };
  const read = readThingsJson(writeThingsJson({ ...THINGS, titles: [twice] }));
  expect(read.ok ? null : read.problems[0]).toMatchObject({
    code: 'key-twice',
    place: { column: 'titles[0]' },
  });
});

it('a document differs from itself in nothing, and from a changed one in what was changed', () => {
  const json = fc.jsonValue({ maxDepth: 4 });
  fc.assert(
    fc.property(json, (value) => {
      expect(differences(value, structuredClone(value))).toEqual([]);
    }),
  );
  expect(
    differences({ a: 1, list: [{ key: 'gain', max: 100 }] }, { a: 2, list: [{ key: 'gain', max: 90 }] }),
  ).toEqual([
    { where: 'a', from: '1', to: '2' },
    { where: 'list › gain › max', from: '100', to: '90' },
  ]);
  expect(differences({ list: [{ key: 'x' }] }, { list: [{ key: 'y' }, { key: 'x' }] })).toEqual([
    { where: 'list › y', from: null, to: '{"key":"y"}' },
  ]);
});
