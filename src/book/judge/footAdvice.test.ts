import { carById, titleById, trackById } from '@/catalog/find';
import { menusFor } from '@/catalog/menusFor';
import { liveDrive } from '@/core/driving/liveDrive';
import { DRILL_TRACK, drillOptions, drillStretch } from '@/core/drills/course';
import { measureDrill } from '@/core/drills/measureDrill';
import { slopeAt, travelAt } from '@/core/drills/footPart';
import { mean } from '@/core/numeric/moments';
import { median } from '@/core/numeric/order';
import { plainRig } from '@/core/rig/rigSpec';
import { responseLayers } from '@/core/settings/menus';
import { keyText, type SettingValues } from '@/core/settings/setting';
import { layTrack } from '@/core/vehicle/track';
import { footOfDrill, straighter } from './footAdvice';
import { BY_ITSELF } from '@/core/driving/shifting';

const CAR = carById('marl-850');
const TRACK = trackById(DRILL_TRACK);
const menus = menusFor(plainRig({ kind: 'simulated', rig: 'tern' }), titleById('causeway'), CAR);
const CURVE = 'title/throttle/linearity';

/** Circles of the stand-in behind some settings: how fast its foot is heard to move, how often it turns, where it works. */
function circles(settings: SettingValues) {
  const layers = responseLayers(menus, settings, 'throttle');
  const hardware = { released: 2100, pressed: 61_000, sigma: 18, quantum: 1, rangeMin: 0, rangeMax: 65_535 };
  const setup = { hardware, calibration: { released: 2180, pressed: 60_930 }, layers };
  const driven = [1, 2, 3].map((seed) => {
    const drive = liveDrive({
      ...{ car: CAR, track: TRACK, shifting: BY_ITSELF, laps: 1 },
      stretch: drillStretch('circle', layTrack(TRACK)),
      axes: { wheel: { centre: 0, countsPerDeg: 1, gain: 1, lockDeg: 900, layers: [] }, pedals: {} },
      standIn: {
        ...{ throttle: setup, brake: { ...setup, layers: [] }, seed, drill: 'circle' },
        foot: { restTravel: 0, restWander: 0, pressTravel: 0.8, pressSpread: 0 },
      },
    });
    for (let ms = 0; drive.tick(ms).state !== 'over'; ms += 4);
    const log = drive.log();
    const measured = measureDrill('circle', log, drillOptions(layTrack(TRACK), CAR));
    if (!measured.ok) throw new Error('no circle');
    return { ...measured.value.measures, work: median(log.columns.throttle!) };
  });
  const of = (name: string) => mean(driven.map((one) => (one as Record<string, number>)[name]!));
  return { rate: of('throttleRateRms'), reversals: of('reversalsPerMin'), work: of('work') };
}

/** The value of the menu whose curve is steepest where a foot works. */
function steepest(work: number): number {
  const field = menus.title.throttle!.dialect.fields.find(({ key }) => key === 'linearity')!;
  const steps = Math.round((field.max - field.min) / field.step);
  const slope = (value: number) => {
    const layers = responseLayers(menus, { [CURVE]: value }, 'throttle');
    return slopeAt(layers, travelAt(layers, work));
  };
  return Array.from({ length: steps + 1 }, (_, i) => field.min + i * field.step).toSorted(
    (a, b) => slope(b) - slope(a),
  )[0]!;
}

it('a steep curve makes the circle worse, and the one that is advised better again', () => {
  const linear = circles({});
  const steep = { [CURVE]: steepest(linear.work) };
  const worse = circles(steep);
  const part = footOfDrill({ menus, settings: steep }, 'circle', worse.work, worse.rate)!;
  expect(part.slope).toBeGreaterThan(1.3);
  expect(worse.rate).toBeGreaterThan(1.25 * linear.rate);
  expect(worse.reversals).toBeGreaterThan(linear.reversals);
  // What it would be on a straight line is what it was on one.
  expect(part.straight / linear.rate).toBeGreaterThan(0.75);
  expect(part.straight / linear.rate).toBeLessThan(1.25);

  const advice = straighter({ menus, settings: steep }, 'throttle', worse.work)!;
  expect(advice.evidence).toMatch(/the title hears 1\.\d times what it moves; with this, 1\.0 times/);
  const better = circles({ ...steep, [keyText(advice.key)]: advice.to });
  expect(better.rate).toBeLessThan(0.85 * worse.rate);
  expect(better.rate / linear.rate).toBeLessThan(1.15);
});

it('where the curve is straight enough, nothing is advised', () => {
  expect(straighter({ menus, settings: {} }, 'throttle', 0.3)).toBeNull();
  expect(footOfDrill({ menus, settings: {} }, 'weave', 0.3, 1)).toBeNull();
  expect(footOfDrill({ menus, settings: {} }, 'brake-peak', 0.8, 0.02)!.settingShare).toBeCloseTo(0, 6);
});
