import { percent, percentAbout, percentTenths } from './percent';

it('writes a share with as many digits as a sentence wants', () => {
  expect([percent(0.123), percent(0.123, 1), percent(1)]).toEqual(['12 %', '12.3 %', '100 %']);
  expect([0, 0.004, 0.0999, 0.1, 0.5].map(percentAbout)).toEqual(['0 %', '0.4 %', '10.0 %', '10 %', '50 %']);
  expect([0.1, 0.1234, 0.12].map(percentTenths)).toEqual(['10 %', '12.3 %', '12 %']);
});
