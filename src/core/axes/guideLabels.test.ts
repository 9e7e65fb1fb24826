import { relabel, startOfRun, takeLabelOff } from './guideLabels';
import type { PhaseRun } from './recording';

const runs = (...parts: [string, number, number][]): PhaseRun[] =>
  parts.map(([label, from, to]) => ({ label, from, to }));
const after = (change: (of: PhaseRun[]) => void, of: PhaseRun[]) => {
  change(of);
  return of.map(({ label, from, to }) => [label, from, to]);
};

it('a new label cuts the run that it begins in, and what lay behind is gone', () => {
  const three = () => runs(['rest', 0, 10], ['sweep', 10, 20], ['press', 20, 30]);
  expect(after((of) => relabel(of, 15, 'idle', 30), three())).toEqual([
    ['rest', 0, 10],
    ['sweep', 10, 15],
    ['idle', 15, 30],
  ]);
  expect(after((of) => relabel(of, 10, 'idle'), three())).toEqual([
    ['rest', 0, 10],
    ['idle', 10, 30],
  ]);
});

it('the same label goes on with the run that ends there, and only with that', () => {
  expect(after((of) => relabel(of, 10, 'rest', 14), runs(['rest', 0, 10]))).toEqual([['rest', 0, 14]]);
  expect(after((of) => relabel(of, 12, 'rest', 14), runs(['rest', 0, 10]))).toEqual([
    ['rest', 0, 10],
    ['rest', 12, 14],
  ]);
});

it('of no samples there is no run', () => {
  expect(after((of) => relabel(of, 10, 'idle', 10), runs(['rest', 0, 10]))).toEqual([['rest', 0, 10]]);
  expect(after((of) => relabel(of, 10, 'idle', 8), runs(['rest', 0, 10]))).toEqual([['rest', 0, 10]]);
  expect(after((of) => relabel(of, 0, 'idle'), [])).toEqual([]);
});

it('a label is taken off between two samples, and what is alike then is one run', () => {
  const four = runs(['press', 0, 5], ['idle', 5, 8], ['press', 8, 12], ['press', 12, 15]);
  expect(after((of) => takeLabelOff(of, 'press', 8, 12), four)).toEqual([
    ['press', 0, 5],
    ['idle', 5, 12],
    ['press', 12, 15],
  ]);
  expect(startOfRun(four, 'press', 20)).toBe(12);
  expect(startOfRun(four, 'idle', 20)).toBe(20);
});
