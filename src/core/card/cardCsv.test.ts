import Papa from 'papaparse';
import { cardCsv, type SetupCard } from './setupCard';

const line = (label: string, value: string) => ({
  axis: 'brake',
  label,
  value,
  unit: '',
  step: '1',
  neutral: '0',
  isNeutral: false,
});

it('no cell of a card is a formula for a spreadsheet; numbers stay what they are', () => {
  const labels = ['=HYPERLINK("x")', '+1+1', '-2+3', '@sum', '\tx', 'Dead zone', 'a, "b"'];
  const values = ['-5', '+0.25', '12', '−3', '-0,5', '=5', '-5 %'];
  const card = {
    pages: [{ path: 'Controls', layer: 'title', lines: labels.map((label, i) => line(label, values[i]!)) }],
  } as unknown as SetupCard;
  const rows = Papa.parse<string[]>(cardCsv(card).trim()).data.slice(1);
  expect(rows.map((row) => row[3])).toEqual([
    '\'=HYPERLINK("x")',
    "'+1+1",
    "'-2+3",
    "'@sum",
    "'\tx",
    'Dead zone',
    'a, "b"',
  ]);
  expect(rows.map((row) => row[4])).toEqual(['-5', '+0.25', '12', '−3', '-0,5', "'=5", "'-5 %"]);
});
