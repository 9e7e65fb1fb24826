import { SMALL_CAR } from '../testing/smallWorld';
import { catchTrade } from './catchTrade';
import { plainBase, PLAIN_TITLE } from './forceSettings';
import { halfTurn } from './halfTurn';
import type { ForceChain } from './handsOff';

const chain = (ratedNm: number, damperNms = 0): ForceChain => ({
  car: SMALL_CAR,
  title: { ...PLAIN_TITLE, rateHz: 1000 },
  base: { ...plainBase(ratedNm), damperNms },
  hardware: {
    ...{ ratedNm, frictionNm: 0.05, delayS: 0.004, inertiaKgM2: 0.01, viscousNms: 0 },
    ...{ topRadps: null, rotationDeg: 900 },
  },
});

it('more damper is later, and what is set now is its point of the line', () => {
  const { points } = catchTrade(chain(14, 0.1), 0.2, 2);
  const times = points.map(({ halfTurnS }) => halfTurnS ?? 9);
  expect(times).toEqual(times.toSorted((a, b) => a - b));
  expect(times[0]).toBeLessThan(times.at(-1)!);
  const at = (damperNms: number) => halfTurn(chain(14, damperNms)).nowS;
  for (const { damperNms, halfTurnS } of points) expect(halfTurnS).toBe(at(damperNms));
});

it('a strong base has room for both, a weak one with much damper has not, and without calm there is nothing to say', () => {
  expect(catchTrade(chain(20), 0.1, 2)).toMatchObject({ room: 'both', atCalm: { damperNms: 0.1 } });
  expect(catchTrade(chain(2.5), 0.6, 2).room).toBe('none');
  for (const none of [null, 2.1])
    expect(catchTrade(chain(14), none, 2)).toMatchObject({ room: null, atCalm: null });
});

it('the line goes past the calm damper and what is set, and no further than the base does', () => {
  const last = (calm: number | null, now = 0) => catchTrade(chain(14, now), calm, 2).points.at(-1)!.damperNms;
  expect(last(0.4)).toBeCloseTo(1, 9);
  expect(last(0.1, 1)).toBeCloseTo(1.5, 9);
  expect(last(null)).toBe(2);
  expect(last(1.9)).toBe(2);
});
