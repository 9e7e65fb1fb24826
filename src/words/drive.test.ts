import { driveWords, ghostWords, lapTime } from './drive';

it('lap times are written as minutes, seconds and hundredths', () => {
  expect(lapTime(58.304)).toBe('0:58.30');
  expect(lapTime(117.96)).toBe('1:57.96');
  expect(lapTime(63, 1)).toBe('1:03.0');
  expect(lapTime(5, 0)).toBe('0:05');
});

it('a ride that stands still says why, and nothing is said over one that is driven', () => {
  const at = { isGone: false, isStandIn: false };
  const status = { state: 'stopped', why: 'hidden', fault: null } as const;
  expect(driveWords(status, at)!.how).toMatch(/hidden/);
  expect(driveWords(status, { ...at, isGone: true })!.title).toMatch(/unplugged/);
  expect(driveWords({ ...status, state: 'driving', why: null }, at)).toBeNull();
  expect(driveWords({ ...status, state: 'waiting', why: null }, at)!.title).toMatch(/feet off/);
  // A stand-in has no feet to take off.
  expect(driveWords({ ...status, state: 'waiting', why: null }, { ...at, isStandIn: true })).toBeNull();
  expect(driveWords({ ...status, fault: 'it stopped' }, at)!.how).toMatch(/it stopped/);
});

it('says how one stands against an earlier lap', () => {
  expect(ghostWords(92.41, null)).toBe('Against the ghost’s 1:32.41');
  expect(ghostWords(92.41, 0)).toBe('Level with the ghost’s 1:32.41');
  expect(ghostWords(92.41, 0.34)).toBe('0.3 s behind the ghost’s 1:32.41');
  expect(ghostWords(92.41, -1.2)).toBe('1.2 s ahead of the ghost’s 1:32.41');
});
