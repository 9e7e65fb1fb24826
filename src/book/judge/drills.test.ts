import { carById } from '@/catalog/find';
import type { DrillName } from '@/core/drills/measureDrill';
import type { Attempt } from '../model/drillsView';
import { drillsOf } from './drills';

const NOWHERE = { menus: { base: {}, title: {}, car: {} }, settings: {}, car: carById('marl-850') };
const DAY = 86_400_000;
const attempt = (drill: DrillName, value: number | null, i: number): Attempt => ({
  ...{ id: `${drill}-${i}`, atMs: DAY + i * 60_000, drill },
  work: null,
  measures: drill === 'circle' ? { radiusSdM: value, slipSdDeg: 2 } : { peakSd: value },
});
const circles = (...values: (number | null)[]) => values.map((value, i) => attempt('circle', value, i));
const lineOf = (attempts: Attempt[], name: DrillName = 'circle') =>
  drillsOf(NOWHERE, attempts, 2 * DAY).lines.find((line) => line.name === name)!;

it('the newest attempt is judged by those before it, not by itself', () => {
  const usual = [0.4, 0.42, 0.38, 0.41, 0.39];
  expect(lineOf(circles(...usual)).last).toMatchObject({ expected: null, judged: null });
  const line = lineOf(circles(...usual, 0.1));
  expect(line.last).toMatchObject({ judged: 'better', expected: { n: 5 } });
  expect(line.last!.expected!.mean).toBeCloseTo(0.4, 9);
  // What the next one is expected to be counts it in.
  expect(line.expected!.n).toBe(6);
  expect(lineOf(circles(...usual, 0.4)).last!.judged).toBe('as usual');
  expect(lineOf(circles(...usual, 0.9)).last!.judged).toBe('worse');
});

it('drills do not mix, and an attempt that tells nothing is counted and not drawn', () => {
  const attempts = [...circles(0.4, null, 0.5), attempt('brake-peak', 0.03, 9)];
  expect(lineOf(attempts)).toMatchObject({ attempts: 3, last: { judged: null } });
  expect(lineOf(attempts).series.map(({ value }) => value)).toEqual([0.4, 0.5]);
  expect(lineOf(attempts, 'brake-peak').attempts).toBe(1);
  expect(lineOf(attempts, 'weave')).toMatchObject({ attempts: 0, last: null, series: [] });
  expect(drillsOf(NOWHERE, [], 0).next).toMatchObject({ name: 'slow-roll', why: 'unknown' });
});
