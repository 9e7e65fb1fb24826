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
    'Rotation 380°',
    'Torque 60',
    'Torque limit 14.0 N·m',
    'Title damper 100',
    'Title spring 100',
    'Damper 10',
    'Friction 0',
    'Inertia 0',
    'Filter 2',
    'Band 6 Hz 100',
    'Band 12 Hz 100',
    'Band 24 Hz 100',
    'Band 48 Hz 100',
    'Band 96 Hz 100',
    'Hands-off guard 1',
  ]);
  expect(said('Gannet base › Settings', 'Throttle')).toEqual([
    'Low end 0',
    'High end 100',
    'Curve 0·0 40·12 100·100 %',
  ]);
  expect(said('Options › Axes', 'Brake')).toEqual(['Start 0.04', 'End 1.00', 'Gamma 1.00']);
  expect(pages[1]!.lines[0]!.axis).toBe('Brake');
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
