import fc from 'fast-check';
import { capital, decibels, degrees, lapTime, moment, plain, signed } from './format';

it('a lap time reads back as the seconds that it was made of, to a hundredth', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 59_999 * 10 }), (hundredths) => {
      const text = lapTime(hundredths / 100);
      const [, minutes, seconds] = /^(\d+):(\d\d\.\d\d)$/.exec(text) ?? [];
      expect(Math.round(100 * (60 * Number(minutes) + Number(seconds)))).toBe(hundredths);
    }),
  );
});

it('a lap time never has sixty seconds, and is off by half a hundredth at most', () => {
  expect([lapTime(59.999), lapTime(119.996), lapTime(0.004)]).toEqual(['1:00.00', '2:00.00', '0:00.00']);
  fc.assert(
    fc.property(fc.double({ min: 0, max: 36_000, noNaN: true }), (seconds) => {
      const [, minutes, rest] = /^(\d+):(\d\d\.\d\d)$/.exec(lapTime(seconds)) ?? [];
      expect(Number(rest)).toBeLessThan(60);
      expect(Math.abs(60 * Number(minutes) + Number(rest) - seconds)).toBeLessThan(0.005 + 1e-9);
    }),
  );
});

it('a number has a true minus sign, and none before nothing', () => {
  fc.assert(
    fc.property(fc.double({ min: -1e6, max: 1e6, noNaN: true }), fc.nat(4), (value, digits) => {
      const text = plain(value, digits);
      expect(text).not.toMatch(/-|−0(\.0+)?$/);
      expect(Number(text.replace('−', '-'))).toBeCloseTo(Number(value.toFixed(digits)), 9);
    }),
  );
  expect([plain(-0.004, 1), plain(-2, 0), decibels(-0.54), degrees(-90)]).toEqual([
    '0.0',
    '−2',
    '−0.5 dB',
    '−90°',
  ]);
  expect([signed(1, 1), signed(-1, 1), signed(0, 0)]).toEqual(['+1.0', '−1.0', '±0']);
});

it('a moment says today of today alone', () => {
  const noon = new Date(2026, 10, 27, 12, 30).getTime();
  expect(moment(noon, noon)).toBe('today 12:30');
  expect(moment(noon - 24 * 3600 * 1000, noon)).toBe('26 November 12:30');
});

it('a name begins a sentence', () => {
  expect(capital('paddle_left dead zone')).toBe('Paddle left dead zone');
});
