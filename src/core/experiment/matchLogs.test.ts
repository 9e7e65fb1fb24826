import { matchLogs } from './matchLogs';

const trial = (place: number, atMs: number, rideId: string | null = null) => ({ place, atMs, rideId });
const log = (id: string, atMs: number) => ({ id, atMs });

it('each ride has the log that began after the one before was booked, and before it was booked itself', () => {
  const trials = [trial(1, 300), trial(0, 200)];
  expect(matchLogs(100, trials, [log('b', 200), log('a', 100), log('late', 300)])).toEqual({
    matched: [
      { place: 0, rideId: 'a' },
      { place: 1, rideId: 'b' },
    ],
    strayLogs: ['late'],
    emptyPlaces: [],
  });
});

it('of several the last one counts, whatever their order; what came before is practice', () => {
  const { matched, strayLogs } = matchLogs(0, [trial(0, 100)], [log('second', 60), log('first', 20)]);
  expect(matched).toEqual([{ place: 0, rideId: 'second' }]);
  expect(strayLogs).toEqual(['first']);
});

it('a ride keeps the log it has, and nobody else is given it', () => {
  const trials = [trial(0, 100, 'mine'), trial(1, 200)];
  expect(matchLogs(0, trials, [log('mine', 150)])).toEqual({ matched: [], strayLogs: [], emptyPlaces: [1] });
});

it('logs from before the question was asked belong to it in no way', () => {
  expect(matchLogs(100, [trial(0, 200)], [log('old', 99), log('new', 100)])).toEqual({
    matched: [{ place: 0, rideId: 'new' }],
    strayLogs: [],
    emptyPlaces: [],
  });
  expect(matchLogs(100, [], [log('old', 99), log('new', 100)]).strayLogs).toEqual(['new']);
});
