import { pebble } from './testing/pebble';

const slide = (...argv: string[]) => pebble('slide', ...argv);

it('tells what holding a slide takes: Fenwick, 25 m, 20°', () => {
  const told = slide('--car', 'fenwick-six', '--radius', '25', '--angle', '20', '--json').json();
  expect(told['speedMps']).toBeCloseTo(15.3, 1);
  expect(told['handDeg']).toBeCloseTo(-178, 0);
  expect(told['columnNm']).toBeCloseTo(-11.9, 1);
  expect(told).toMatchObject({ gear: 2 });
  expect(slide('--car', 'fenwick-six', '--radius', '25', '--angle', '20').out).toMatch(/handDeg/);
});

it('refuses a car that cannot, by name and with what it would take', () => {
  const { code, err } = slide('--car', 'marl-850', '--radius', '25', '--angle', '20');
  expect(code).toBe(1);
  expect(err).toMatch(/cannot hold a slide of 20° on 25 m/);
  expect(err).toMatch(/differential/);
});

it.each([
  [['--car', 'fenwick-six', '--radius', '25'], /needs --radius and --angle/],
  [['--car', 'fenwick-six', '--radius', '2', '--angle', '20'], /--radius takes 3 to 500/],
  [['--car', 'fenwick-six', '--radius', '25', '--angle', '80'], /--angle takes 1 to 60/],
  [['x', '--car', 'fenwick-six'], /takes options only/],
])('refuses %j', (argv, said) => {
  const { code, err } = slide(...argv);
  expect(code).toBe(2);
  expect(err).toMatch(said);
});
