import fc from 'fast-check';
import { carById, simulatedRigById, titleById } from '@/catalog/find';
import { menusFor } from '@/catalog/menusFor';
import { keyText } from '../settings/setting';
import { carGains, type AlikeBy, type CarRide } from './carGains';
import type { ChainFacts } from './chainOf';
import { chainOf } from './chainOf';
import type { LoggedCar } from './loggedCar';
import { strengthFor, weightAdvice } from './weight';

function factsOf(carId: string, title = 'causeway', values: ChainFacts['values'] = {}): ChainFacts {
  const { spec } = simulatedRigById('tern');
  const car = carById(carId);
  return {
    car,
    rig: spec,
    rateHz: titleById(title).forceHz,
    menus: menusFor(spec, titleById(title), car),
    values,
    rotationDeg: null,
  };
}
const figure = fc.double({ min: 0.2, max: 1.5, noNaN: true });
const lead: CarRide = { facts: factsOf('marl-850'), force: { peak: 0.75, weight: 0.4 } };

describe('gain per car', () => {
  it('makes the cars alike within one step and never stronger, or says that the menu ends before', () => {
    fc.assert(
      fc.property(figure, figure, fc.constantFrom<AlikeBy>('peak', 'weight'), (peak, weight, by) => {
        const other: CarRide = { facts: factsOf('fenwick-six'), force: { peak, weight } };
        const [own, row] = carGains([lead, other], 0, by);
        expect(own).toMatchObject({ ratio: 1, state: 'leads', advice: null });
        if (!row!.advice) {
          expect(row!.state === 'nearest' || Math.abs(row!.ratio! - 1) < 0.05).toBe(true);
          if (row!.state === 'nearest' && row!.beyond === null) expect(row!.ratio!).toBeGreaterThan(0.89);
          return;
        }
        const set = {
          ...other,
          facts: { ...other.facts, values: { [keyText(row!.advice.key)]: row!.advice.to } },
        };
        const after = carGains([lead, set], 0, by)[1]!.ratio!;
        if (row!.beyond === null) {
          // Only the menu's own end may leave it a little stronger.
          expect(after).toBeLessThanOrEqual(row!.advice.to === 50 ? 1.05 : 1 + 1e-6);
          expect(after).toBeGreaterThan(0.89);
        } else expect([50, 150]).toContain(row!.advice.to);
      }),
    );
  });

  it('is not proposed where a title has none of its own for a car', () => {
    const other = { facts: factsOf('fenwick-six', 'hill-and-hollow'), force: { peak: 1.5, weight: 1 } };
    const first = { facts: factsOf('marl-850', 'hill-and-hollow'), force: lead.force };
    expect(carGains([first, other], 0, 'peak')[1]).toMatchObject({ ratio: 2, state: 'none', advice: null });
  });
});

describe('like is compared with like', () => {
  const logged = (peak: number | null, weight: number | null): LoggedCar => ({
    peak,
    weight,
    lacks: { peak: peak === null ? 'clipped' : null, weight: weight === null ? 'no channel' : null },
  });
  const own = { ...lead, logged: logged(0.6, 0.3) };
  const six = { facts: factsOf('fenwick-six'), force: { peak: 0.75, weight: 0.4 } };

  it('two logs where both tell, whatever was simulated', () => {
    fc.assert(
      fc.property(figure, figure, fc.constantFrom<AlikeBy>('peak', 'weight'), (peak, weight, by) => {
        const [first, second] = carGains([own, { ...six, logged: logged(peak, weight) }], 0, by);
        expect([first!.from, second!.from]).toEqual(['log', 'log']);
        expect(second!.ratio!).toBeCloseTo(by === 'peak' ? peak / 0.6 : weight / 0.3, 9);
        expect(first!.peak).toBeCloseTo(chainOf(own.facts).title.gain * 0.6, 9);
      }),
    );
  });

  it('two simulated laps where a log cannot tell, and what it would need', () => {
    const rows = carGains([own, { ...six, logged: logged(0.9, null) }], 0, 'weight');
    expect(rows).toMatchObject([{ from: 'simulated' }, { from: 'simulated', ratio: 1, lacks: 'no channel' }]);
    // One log alone is compared with nothing.
    expect(carGains([own, six], 0, 'peak')).toMatchObject([{ from: 'simulated' }, { ratio: 1 }]);
  });

  it('nothing where the full scale of one is only assumed; a log of each opens it', () => {
    const assumed = { ...six, facts: { ...six.facts, car: { ...six.facts.car, scaleIsAssumed: true } } };
    expect(carGains([lead, assumed], 0, 'peak')[1]).toMatchObject({
      ...{ peak: null, weightNm: null, ratio: null, state: 'unknown', advice: null },
      lacks: 'A log of each car with its force would tell.',
    });
    expect(carGains([own, { ...assumed, logged: logged(null, 0.3) }], 0, 'peak')[1]).toMatchObject({
      lacks: 'clipped',
      ratio: null,
    });
    expect(carGains([own, { ...assumed, logged: logged(1.2, 0.3) }], 0, 'peak')[1]!.ratio).toBeCloseTo(2, 9);
    // The car that leads may be the one.
    expect(carGains([assumed, lead], 0, 'peak')).toMatchObject([{ peak: null }, { state: 'unknown' }]);
  });
});

describe('strength for a weight', () => {
  const facts = factsOf('marl-850', 'causeway', { 'base/steering/strength': 50 });
  const chain = chainOf(facts);

  it('is in proportion, on the base’s own steps, and never heavier than wanted', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 5, noNaN: true }), (wanted) => {
        const found = strengthFor(facts, chain, wanted, 2);
        if ('refused' in found) return expect(wanted).toBeGreaterThan(4);
        expect(found.to % 5).toBe(0);
        expect(found.cornerNm).toBeCloseTo((2 * found.to) / 50, 9);
        if (found.to > 10) expect(found.cornerNm).toBeLessThanOrEqual(wanted + 1e-9);
      }),
    );
  });

  it('is refused above the torque limit, above what the base has, and where there is no force', () => {
    expect(strengthFor(facts, chain, 6, 2)).toMatchObject({ refused: /torque limit holds the rim at 5.5/ });
    expect(strengthFor(facts, chain, 5, 2)).toMatchObject({ refused: /At full strength corners weigh 4.0/ });
    expect(strengthFor(facts, chain, 1, 0)).toMatchObject({ refused: /gain first/ });
  });

  it('is half of the car’s own or all of it, as the driver’s school wants', () => {
    const judged = { cornerNm: 2, carCornerNm: 3 };
    expect(weightAdvice(facts, chain, judged, 'car')).toMatchObject({ from: 50, to: 75 });
    expect(weightAdvice(facts, chain, judged, 'light')).toMatchObject({ from: 50, to: 35 });
    expect(weightAdvice(facts, chain, { cornerNm: 2, carCornerNm: 2.1 }, 'car')).toBeNull();
  });
});
