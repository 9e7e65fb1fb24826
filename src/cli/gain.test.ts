import { filesForTests, pebble } from './testing/pebble';

const { file } = filesForTests();

it('gain compares two rides at two values of it', () => {
  const log = (strength: number) =>
    [
      't_s,ay_mps2,ffb',
      ...Array.from({ length: 120 * 25 }, (_, i) => {
        const a = 7 * Math.sin(i / 30);
        return `${i / 25},${a},${-strength * a + 0.01 * Math.sin(i)}`;
      }),
    ].join('\n');
  const [low, high] = [file('low.ride.csv', log(0.05)), file('high.ride.csv', log(0.1))];
  expect(pebble('gain', low, high, '--values', '50,100', '--json').json()).toMatchObject({
    expected: 2,
    ratio: expect.closeTo(2, 1) as number,
    verdict: 'factor',
  });
  expect(pebble('gain', low, high, '--values', '50,60', '--json').json()).toMatchObject({ verdict: 'other' });
  expect(pebble('gain', low, '--values', '50,100').code).toBe(2);
  expect(pebble('gain', low, high, '--values', 'much')).toMatchObject({ code: 2 });
});
