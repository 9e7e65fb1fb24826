import { SURFACES } from '../rides/rideLog';
import { clipEvents, type ForceSignal } from './clipEvents';

const INTERVAL_S = 0.01;
const KERB = SURFACES.indexOf('kerb');

/** Rows of 10 ms: a digit says how full, `#` clips; below it the slow part, and where a kerb lies. */
function signal(rows: string, slow: string = rows, kerbs = ''): ForceSignal {
  const level = (text: string) =>
    Float64Array.from(text, (c) => (c === '#' ? 1 : c === '=' ? 0.95 : Number(c) / 10));
  return {
    t: Float64Array.from(rows, (_, i) => i * INTERVAL_S),
    level: level(rows),
    slow: level(slow),
    surface: kerbs ? Float64Array.from(rows, (_, i) => (kerbs[i] === 'k' ? KERB : 0)) : null,
    intervalS: INTERVAL_S,
    warnings: [],
  };
}
const kinds = (of: ForceSignal, gain = 1) => clipEvents(of, gain).map(({ kind }) => kind);

it('what is held longer than 150 ms with its slow part up is sustained; 150 ms are not', () => {
  expect(kinds(signal('#'.repeat(16)))).toEqual(['sustained']);
  expect(kinds(signal('#'.repeat(15)))).toEqual(['short']);
});

it('six tenths of its rows have to be up at .95, and no fewer', () => {
  const rows = '#'.repeat(20);
  expect(kinds(signal(rows, '='.repeat(12) + '9'.repeat(8)))).toEqual(['sustained']);
  expect(kinds(signal(rows, '='.repeat(11) + '9'.repeat(9)))).toEqual(['short']);
});

it('80 ms are a hit, longer ones only where more than half of it lies on a kerb', () => {
  expect(kinds(signal('#'.repeat(8)))).toEqual(['impact']);
  expect(kinds(signal('#'.repeat(9)))).toEqual(['short']);
  const low = '0'.repeat(12);
  expect(kinds(signal('#'.repeat(12), low, 'k'.repeat(6)))).toEqual(['short']);
  expect(kinds(signal('#'.repeat(12), low, 'k'.repeat(7)))).toEqual(['impact']);
});

it('gaps under 20 ms are joined and hold no clipped samples; from 20 ms on there are two events', () => {
  expect(clipEvents(signal('0##5##0'), 1)).toMatchObject([{ from: 1, to: 6, clipped: 4, tS: 0.01 }]);
  const two = clipEvents(signal('0##55##0'), 1);
  expect(two).toMatchObject([
    { from: 1, to: 3, clipped: 2 },
    { from: 5, to: 7, clipped: 2 },
  ]);
  expect(two.map(({ durationS }) => durationS.toFixed(6))).toEqual(['0.020000', '0.020000']);
});

it('full scale itself clips, by gain and level together', () => {
  expect(clipEvents(signal('05005'), 2)).toHaveLength(2);
  expect(clipEvents(signal('05005'), 1.99)).toEqual([]);
  expect(clipEvents(signal('##00##'), 1, Int32Array.of(4, 5))).toMatchObject([{ from: 4, to: 6 }]);
});
