import { LEAST_STEP_S } from '../axes/recording';
import { timeFault } from './clock';

const at = (...t: number[]) => timeFault(Float64Array.from(t), (sample) => sample + 2);

it('a clock stands where more than half of its steps do, said of the first of them, and of four samples nobody can say it', () => {
  expect(at(0, 0, 0, 0)).toBeNull();
  expect(at(0, 1, 1, 1, 1)).toMatchObject({
    code: 'time-stands',
    place: { row: 4, column: 't_s' },
    message: 'Time stands still in 3 of 4 steps.',
  });
  expect(at(0, 1, 1, 1, 2)).toBeNull();
  expect(at(0, 1, 2, 2, 3, 3, 3, 3)).toMatchObject({ code: 'time-stands', place: { row: 5 } });
});

it('a step of the least that is recorded is one, and a shorter one is none', () => {
  const rows = (step: number) => at(...Array.from({ length: 9 }, (_, i) => i * step));
  expect(rows(0.5 * LEAST_STEP_S)).toMatchObject({ code: 'time-stands' });
  expect(rows(LEAST_STEP_S)).toBeNull();
});

it('a fall is said where it is, a pause is none, and two days are the most', () => {
  expect(at(0, 5, 4.999)).toMatchObject({ code: 'time-backwards', place: { row: 4 } });
  expect(at(0, 5, 5, 6)).toBeNull();
  expect(at(100, 100 + 172_800)).toBeNull();
  expect(at(100, 100 + 172_801)).toMatchObject({ code: 'too-long', place: { row: 3 } });
  expect(at(-1e10, -1e10 + 1)).toBeNull();
  expect(at(1e10 + 1)).toMatchObject({ code: 'no-such-time', place: { row: 2 } });
  expect(at(Number.NaN)).toMatchObject({ code: 'no-such-time' });
});
