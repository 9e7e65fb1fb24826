import { seededRandom } from '../numeric/random';
import { alongRoad, type AlongChannel, type AlongRoad } from '../rides/alongRoad';
import { alongPairs } from './alongPairs';

const PLACES = 60;
const CHANNELS: AlongChannel[] = ['time', 'speed_mps', 'steer_deg', 'brake', 'throttle', 'ffb'];
type Noise = ReturnType<typeof seededRandom>;

/** A ride in which every channel wanders smoothly by itself. */
function ride(random: Noise, more: (channel: AlongChannel, place: number) => number = () => 0): AlongRoad {
  const wandering = (channel: AlongChannel) => {
    let [slow, at] = [0, 0];
    return Float64Array.from({ length: PLACES }, () => {
      slow = 0.8 * slow + 0.6 * random.normal();
      return slow + more(channel, at++);
    });
  };
  return {
    stepM: 10,
    channels: Object.fromEntries(CHANNELS.map((channel) => [channel, wandering(channel)])),
    clips: null,
  };
}

it('of six channels without a difference anything is shown in one evening of twenty, or fewer', () => {
  const random = seededRandom(31);
  const evenings = 200;
  let any = 0;
  for (let i = 0; i < evenings; i++) {
    const pairs = Array.from({ length: 7 }, () => ({ a: ride(random), b: ride(random) }));
    if (alongPairs(pairs)!.channels.some(({ shown }) => shown.length > 0)) any++;
  }
  expect(any / evenings).toBeLessThan(0.05 + 2 * Math.sqrt((0.05 * 0.95) / evenings));
});

it('a difference is shown in its channel, at its place, and turns round with the sides', () => {
  const random = seededRandom(32);
  const more = (channel: AlongChannel, place: number) => (channel === 'brake' && place >= 50 ? 9 : 0);
  const pairs = Array.from({ length: 8 }, () => ({ a: ride(random), b: ride(random, more) }));
  const { channels } = alongPairs(pairs)!;
  const shown = channels.flatMap(({ channel, shown: runs }) => runs.map((run) => ({ channel, ...run })));
  // It ends with the road: the channel after it begins in the next bin, and is not part of it.
  expect(shown).toEqual([{ channel: 'brake', fromM: 500, toM: 600 }]);
  const back = alongPairs(pairs.map(({ a, b }) => ({ a: b, b: a })))!;
  channels.forEach(({ difference }, k) =>
    difference.forEach((v, i) => expect(back.channels[k]!.difference[i]).toBeCloseTo(-v, 9)),
  );
});

it('what one ride did not log is left out, and of nothing nothing is told', () => {
  const random = seededRandom(33);
  const without = ride(random);
  delete without.channels.ffb;
  const told = alongPairs([{ a: ride(random), b: without }])!;
  expect(told.channels.map(({ channel }) => channel)).not.toContain('ffb');
  expect(told.channels[0]!.low).toBeNull();
  expect(alongPairs([])).toBeNull();
});

describe('clips along the road', () => {
  /** Laps of 100 m at 1 m a row, with the force at full scale between 40 and 60 m of some of them. */
  function log(clipped: readonly boolean[]) {
    // The last lap is whole only where another one begins after it.
    const rows = Float64Array.from({ length: 100 * clipped.length + 2 }, (_, i) => i);
    return {
      notes: {},
      columns: {
        t_s: rows.map((i) => i / 10),
        distance_m: rows.map((i) => i % 100),
        lap: rows.map((i) => Math.floor(i / 100)),
        ffb: rows.map((i) => (clipped[Math.floor(i / 100)] && i % 100 >= 40 && i % 100 < 60 ? -1.2 : 0.5)),
      },
    };
  }

  it('are the share of the laps that clip there', () => {
    const { clips } = alongRoad(log([true, true, false, true]))!;
    const told = [...clips!].map((share) => Number(share.toFixed(2)));
    expect(told.filter((share) => share > 0)).toHaveLength(2);
    expect(told[4]).toBe(told[5]);
    expect(told[4]).toBeGreaterThan(0.5);
    const { ffb, ...rest } = log([true]).columns;
    expect(ffb).toBeDefined();
    expect(alongRoad({ notes: {}, columns: rest })?.clips ?? null).toBeNull();
  });

  it('of a side are the mean of its rides, and nothing where one did not log the force', () => {
    const random = seededRandom(34);
    const clipping = (share: number) => ({ ...ride(random), clips: new Float64Array(PLACES).fill(share) });
    const { clips } = alongPairs([
      { a: clipping(1), b: clipping(0) },
      { a: clipping(0.5), b: clipping(0) },
    ])!;
    expect(clips!.a[7]).toBeCloseTo(0.75, 12);
    expect(clips!.b[7]).toBe(0);
    expect(alongPairs([{ a: clipping(1), b: ride(random) }])!.clips).toBeNull();
  });
});
