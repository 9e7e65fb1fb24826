import { lapOutline } from './lapOutline';

/** Two and a bit laps of a circle of 100 m. */
function circle(extra: object = {}) {
  const n = 2000;
  const at = (i: number) => (2.3 * i) / n;
  const angle = (i: number) => 2 * Math.PI * at(i);
  const of = (value: (i: number) => number) => Float64Array.from({ length: n }, (_, i) => value(i));
  return {
    notes: {},
    columns: {
      t_s: of((i) => i / 10),
      lap: of((i) => Math.floor(at(i))),
      distance_m: of((i) => (at(i) % 1) * 2 * Math.PI * 100),
      x_m: of((i) => 100 * Math.cos(angle(i))),
      y_m: of((i) => 100 * Math.sin(angle(i))),
      ...extra,
    },
  };
}

it('draws the last whole lap, a point every ten metres, closed where it closes', () => {
  const outline = lapOutline(circle())!;
  expect(outline.closed).toBe(true);
  expect(outline.lengthM).toBeCloseTo(2 * Math.PI * 100, -1);
  expect(outline.points).toHaveLength(63);
  outline.points.forEach(([x, y], i) => {
    expect(Math.hypot(x, y)).toBeCloseTo(100, 3);
    const off = Math.atan2(y, x) - (10 * i) / 100;
    expect(Math.abs(Math.atan2(Math.sin(off), Math.cos(off)))).toBeLessThan(0.02);
  });
});

it('draws the only lap of a log, whatever its number', () => {
  const { columns } = circle();
  const one = lapOutline(circle({ lap: columns.lap.map(() => 7), distance_m: columns.distance_m }))!;
  expect(one.lengthM).toBeCloseTo(2 * Math.PI * 100, -1);
});

it('needs places and distance', () => {
  expect(lapOutline(circle({ x_m: undefined }))).toBeNull();
  expect(lapOutline(circle({ distance_m: undefined }))).toBeNull();
});
