import Papa from 'papaparse';
import { carById, simulatedRigById, titleById } from '@/catalog/find';
import { basePages } from '@/catalog/bases';
import { menusFor } from '@/catalog/menusFor';
import { cardCsv, cardMarkdown, cardPages, writtenValue, type SetupCard } from './setupCard';

const { spec } = simulatedRigById('gannet');
const title = titleById('hill-and-hollow');
const pages = cardPages(
  [...basePages(spec), ...title.pages],
  menusFor(spec, title, carById('spindrift-h4')),
  {
    'base/steering/rotation': 380,
    'base/throttle/points': [
      [0, 0],
      [0.4, 0.12],
      [1, 1],
    ],
    'title/brake/deadzone': 0.04,
  },
);
const card: SetupCard = {
  title: 'A, "quoted"',
  made: ['for Noon shift'],
  pages,
  calibration: [],
  buttons: [],
  cautions: ['Thumbs out.'],
};

it('follows the title’s own menus, base first, in its own decimals', () => {
  expect(pages.map((page) => page.path)).toEqual([
    'Gannet base › Settings',
    'Options › Axes',
    'Car › Cockpit',
  ]);
  const said = (path: string, axis: string) =>
    pages
      .find((p) => p.path === path)!
      .lines.filter((l) => l.axis === axis)
      .map((l) => `${l.label} ${writtenValue(l)}`);
  expect(said('Gannet base › Settings', 'Steering')).toEqual([
    'Wingspan 380°',
    'Might 60',
    'Ceiling 14.0 N·m',
    'Calm let in 100',
    'Homing let in 100',
    'Oil 10',
    'Sand 0',
    'Ballast 0',
    'Feather 2',
    'Long swell 100',
    'Short swell 100',
    'Chop 100',
    'Ripple 100',
    'Buzz 100',
    'Let-go guard 1',
  ]);
  expect(said('Gannet base › Settings', 'Throttle')).toEqual([
    'Low end 0',
    'High end 100',
    'Curve 0·0 40·12 100·100 %',
  ]);
  expect(said('Options › Axes', 'Brake')).toEqual(['Start 0.04', 'End 1.00', 'Gamma 1.00']);
  expect(pages[1]!.lines[0]!.axis).toBe('Brake');
});

it('a page may hold one field of every axis, and another the rest: none is lost, none stands twice', () => {
  const causeway = titleById('causeway');
  const menus = menusFor(spec, causeway, carById('marl-850'));
  const spread = cardPages(causeway.pages, menus, {});
  const keys = spread.flatMap(({ lines }) => lines.map(({ key }) => `${key.layer}/${key.axis}/${key.field}`));
  expect(new Set(keys).size).toBe(keys.length);
  const whole = cardPages(
    causeway.pages.map(({ path, layer, axes }) => ({ path, layer, axes })),
    menus,
    {},
  ).flatMap(({ lines }) => lines.map(({ key }) => `${key.layer}/${key.axis}/${key.field}`));
  expect(new Set(whole)).toEqual(new Set(keys));
  expect(spread[0]!.lines.map(({ label }) => label)).toEqual(spread[0]!.lines.map(() => 'Ebb'));
});

it('writes a table that a spreadsheet reads back, and a text that holds every value', () => {
  const { data } = Papa.parse<Record<string, string>>(cardCsv(card), { header: true, skipEmptyLines: true });
  const lines = pages.flatMap((page) => page.lines);
  expect(data.map((row) => row['value'])).toEqual(lines.map((line) => line.value));
  expect(data.filter((row) => row['neutral'] === 'no')).toHaveLength(3);
  const text = cardMarkdown(card);
  for (const line of lines) expect(text).toContain(`| ${line.axis} | ${line.label} | ${line.value}`);
  expect(text).toMatch(/## Mind\n\n- Thumbs out\./);
  expect(text).not.toMatch(/Calibration/);
});
