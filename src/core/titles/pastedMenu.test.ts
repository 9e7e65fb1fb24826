import fc from 'fast-check';
import { fieldsFromPaste } from './describedField';
import { placeOf } from './place';
import { guessRole } from './guessRole';
import { MOST_FIELDS, readPastedMenu } from './pastedMenu';

function read(text: string) {
  const out = readPastedMenu(text);
  if (!out.ok) throw new Error(out.problems[0]!.message);
  return out.value;
}
const refusal = (text: string) => {
  const out = readPastedMenu(text);
  return out.ok ? null : out.problems[0]!;
};

const number = fc.integer({ min: -5000, max: 5000 }).map((x) => x / 100);
const label = fc.constantFrom('Strength', 'Damper of the wheel', 'Band 2', 'Größe', 'Force, total');

it('finds label, value and range in any order, with point or comma, spaces, tabs or signs between', () => {
  const between = fc.constantFrom(' ', '\t', '  ', ' ; ', ' | ');
  const arrangement = fc.constantFrom([0, 1, 2], [1, 0, 2], [2, 1, 0], [1, 2, 0]);
  fc.assert(
    fc.property(
      label,
      fc.uniqueArray(number, { minLength: 3, maxLength: 3 }),
      between,
      arrangement,
      fc.boolean(),
      (name, three, gap, order, comma) => {
        const [min, value, max] = three.toSorted((a, b) => a - b);
        const written = order.map((i) => String([value, min, max][i]));
        const numbers = (comma ? written.map((text) => text.replace('.', ',')) : written).join(gap);
        expect(read(`${name}${gap}${numbers}`)[0]).toMatchObject({ label: name, min, value, max });
      },
    ),
  );
});

it('two numbers are the range, one is the value, and units are kept', () => {
  expect(read('Damper 0 100 %')[0]).toMatchObject({ value: null, min: 0, max: 100, unit: '%' });
  expect(read('Damper: 12')[0]).toMatchObject({ label: 'Damper', value: 12, min: null, max: null });
  expect(read('Rotation 900° 180° 1440°')[0]).toMatchObject({ value: 900, min: 180, max: 1440, unit: '°' });
  expect(read('Limit 8,5 Nm 0,5 14,0')[0]).toMatchObject({ value: 8.5, max: 14, unit: 'N·m', decimals: 1 });
});

it('says which line is none, and takes nothing of it', () => {
  expect(refusal('Gain 50 0 100\nhello\nRoad 1 0 2')).toMatchObject({ code: 'no-field', place: { row: 2 } });
  expect(refusal('12 0 100')?.code).toBe('no-field');
  expect(refusal('Gain 1 2 3 4 5')?.code).toBe('no-field');
  expect(read('Band 2 100 20 200')[0]).toMatchObject({ label: 'Band 2', value: 100, min: 20, max: 200 });
  expect(refusal(' \n\n')?.code).toBe('nothing-there');
});

it('five thousand lines are no menu', () => {
  const lines = (n: number) => Array.from({ length: n }, (_, i) => `Field ${i} 1 0 2`).join('\n');
  expect(refusal(lines(5000))?.code).toBe('too-many-lines');
  expect(read(lines(MOST_FIELDS))).toHaveLength(MOST_FIELDS);
});

describe('what a line becomes', () => {
  const menu = read(
    'Force feedback gain 70 0 100\nMinimum force 3 0 20\nDamper 10 0 100\nRoad effect 0,35 0 1\nLinearity 1,00 0,50 3,00\nSaturation 100 50 100\nSecond damper 0 0 10\nTelemetry 1 0 1',
  );
  const fields = fieldsFromPaste(menu, 'title', 'Menu › Force');

  it('gets its role by the words of the field, one of each', () => {
    expect(fields.map(({ role }) => role)).toEqual([
      'gain',
      'minForce',
      'titleDamper',
      'roadEffect',
      'linearity',
      'saturation',
      'other',
      'other',
    ]);
    expect(fields.map(placeOf).slice(0, 6)).toEqual(['wheel', 'wheel', 'wheel', 'wheel', 'every', 'every']);
  });

  it('gets the step of its decimals and comes at what adds nothing', () => {
    expect(fields.map(({ step }) => step)).toEqual([1, 1, 1, 0.01, 0.01, 1, 1, 1]);
    expect(fields.map(({ neutral }) => neutral)).toEqual([100, 0, 0, 0, 1, 100, 0, 0]);
    expect(fields[0]!.value).toBe(70);
  });
});

it('the same words mean the base’s own on a base', () => {
  expect(guessRole('Overall strength', 'base')).toBe('strength');
  expect(guessRole('Damper', 'base')).toBe('damper');
  expect(guessRole('Damper of the title', 'base')).toBe('damperChannel');
  expect(guessRole('Torque limit', 'base')).toBe('torqueLimit');
  expect(guessRole('Something new', 'base')).toBe('other');
});
