import type { RideLog } from '../rides/rideLog';
import { drillPicture } from './drillPicture';
import { DRILL_NAMES } from './measureDrill';

const n = 2000;
const t_s = Float64Array.from({ length: n }, (_, i) => i / 100);
const round = (of: (angle: number) => number) => t_s.map((t) => of(t / 2));
const LOG: RideLog = {
  columns: {
    t_s,
    x_m: round((a) => 25 * Math.cos(a)),
    y_m: round((a) => 25 * Math.sin(a)),
    brake: t_s.map((t) => (t % 4 < 1 ? 0.6 + 0.01 * Math.floor(t / 4) : 0)),
    steer_deg: t_s.map((t) => 90 * Math.sin(t)),
    slip_rear_rad: t_s.map((t) => 0.2 * Math.sin(t)),
    speed_mps: t_s.map(() => 12),
  },
  notes: {},
};

it('a circle is drawn over its aim, or over what was driven', () => {
  const aim = { x: 1, y: 2, r: 24 };
  expect(drillPicture('circle', LOG, aim)).toMatchObject({ kind: 'way', circle: aim });
  const own = drillPicture('circle', LOG);
  if (own.kind !== 'way') throw new Error('no way');
  expect(own.circle!.r).toBeCloseTo(25, 6);
  expect(own.way.length).toBeLessThanOrEqual(400);
});

it('presses are a row, a catch is rim and slip over time, in degrees', () => {
  const row = drillPicture('brake-peak', LOG);
  if (row.kind !== 'row') throw new Error('no row');
  expect(row.values.map((v) => Number(v.toFixed(2)))).toEqual([0.6, 0.61, 0.62, 0.63, 0.64]);
  const caught = drillPicture('catch', LOG);
  if (caught.kind !== 'time') throw new Error('no time');
  expect(caught.lines.map(({ name, unit }) => `${name} ${unit}`)).toEqual(['rim °', 'slip of the rear °']);
  const most = Math.max(...caught.lines[1]!.points.map(([, deg]) => deg));
  expect(most).toBeCloseTo((0.2 * 180) / Math.PI, 1);
});

it('what was not logged is left out, and no drill is without a picture', () => {
  for (const name of DRILL_NAMES) {
    const picture = drillPicture(name, { columns: { t_s, speed_mps: LOG.columns.speed_mps! }, notes: {} });
    if (picture.kind === 'time') expect(picture.lines.every(({ points }) => points.length > 0)).toBe(true);
  }
  expect(drillPicture('launch', LOG)).toMatchObject({ kind: 'time', lines: [{ name: 'speed' }] });
});
