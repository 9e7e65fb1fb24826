import fc from 'fast-check';
import { anyRide } from '@/core/testing/anyRecording';
import { rideFigures } from '@/core/rides/rideFigures';
import type { RideView } from '../model/rideView';
import { newestRide, rideLine } from './rideLine';

const viewOf = (figures: ReturnType<typeof rideFigures>): RideView => ({
  id: 'r',
  atMs: 1,
  road: { kind: 'described', id: 'saltmarsh-loop' },
  seed: 1,
  settings: { 'title/brake/deadzone': 4 },
  mark: 'A',
  changed: [],
  ...figures,
});

it('a line of any ride is small, counts what counts, and says of every lap listed a time or a reason', () => {
  fc.assert(
    fc.property(anyRide, (log) => {
      const ride = viewOf(rideFigures(log));
      const line = rideLine(ride);
      expect(JSON.stringify(line).length).toBeLessThan(1500);
      expect(line.counted).toBe(ride.measures.laps.filter(({ counted }) => counted).length);
      expect(line.laps.length + line.moreLaps).toBe(ride.measures.laps.length);
      line.laps.forEach((said, i) => {
        const { counted, timeS, why } = ride.measures.laps[i]!;
        if (counted) expect(Math.abs((said as number) - timeS!)).toBeLessThanOrEqual(5.001e-5);
        else expect(said).toBe(why);
        expect(said).not.toBeNull();
      });
      expect(line.hasForce).toBe(ride.clipping !== null);
    }),
    { numRuns: 60 },
  );
});

it('a log of hundreds of laps is listed by its first, and says how many more there are', () => {
  const lap = { lap: 1, timeS: 60, counted: true, why: null, measures: {} };
  const measures = {
    laps: Array.from({ length: 300 }, () => lap),
    summary: { lapTimeS: 60 },
    missing: [],
  } as unknown as RideView['measures'];
  const ride = viewOf({
    measures,
    smoothness: null,
    clipping: null,
    importedFrom: 'long.csv',
    isDriven: false,
  });
  expect(rideLine(ride)).toMatchObject({
    counted: 300,
    moreLaps: 288,
    lapTimeS: 60,
    importedFrom: 'long.csv',
  });
  expect(newestRide(ride)).toEqual({
    counted: 300,
    id: 'r',
    road: { kind: 'described', id: 'saltmarsh-loop' },
    settings: { 'title/brake/deadzone': 4 },
    clipping: null,
    importedFrom: 'long.csv',
    isDriven: false,
    summary: { lapTimeS: 60 },
  });
});
