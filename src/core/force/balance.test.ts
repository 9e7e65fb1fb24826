import { CARS } from '@/catalog/cars';
import { balanceOf, gripCue, maskNotes } from './balance';
import { forceRecorder } from './forceInputs';
import { PLAIN_TITLE } from './forceSettings';
import { forceRow } from '../testing/forceRow';
import { titleSignal } from './titleSignal';

const car = CARS[0]!;

function driven(rows: { lateral: number; speed: number; surface: number; seconds: number }[]) {
  const recorder = forceRecorder(100);
  let t = 0;
  for (const { lateral, speed, surface, seconds } of rows)
    for (let i = 0; i < 100 * seconds; i++, t += 0.01)
      recorder.push(
        forceRow({
          t,
          distanceM: speed * t,
          lap: 1,
          speedMps: speed,
          lateralMps2: lateral,
          momentMechanical: -20 * lateral,
          surface,
        }),
      );
  return recorder.finish();
}

it('weighs every effect against the tyres, stretch by stretch', () => {
  const inputs = driven([
    { lateral: 0.2, speed: 40, surface: 0, seconds: 10 },
    { lateral: 8, speed: 15, surface: 0, seconds: 10 },
    { lateral: 8, speed: 40, surface: 0, seconds: 10 },
    { lateral: 8, speed: 15, surface: 1, seconds: 2 },
    { lateral: 8, speed: 15, surface: 3, seconds: 0.1 },
  ]);
  const effects = { ...PLAIN_TITLE.effects, road: 2, kerb: 1 };
  const balance = balanceOf(inputs, titleSignal(inputs, car, { ...PLAIN_TITLE, rateHz: 100, effects }, 1));
  expect(balance.map(({ stretch, lastsS }) => [stretch, lastsS])).toEqual([
    ['straight', 10],
    ['slow corner', 10],
    ['fast corner', 10],
    ['kerb', 2],
  ]);
  const [straight, slow, , kerb] = balance;
  expect(straight!.mask.road!).toBeGreaterThan(10 * slow!.mask.road!);
  expect(slow!.mask.kerb).toBe(0);
  // A kerb of 0.35 against tyres that give 160 N·m over 16 and the full scale of 16 N·m.
  expect(kerb!.mask.kerb!).toBeCloseTo(0.35 / Math.SQRT2 / kerb!.main, 1);
  expect(maskNotes(balance, { road: 'Road' })).toEqual([expect.stringMatching(/^Road is \d+ % .* straight/)]);
});

it('the torque peaks before the grip does, and a cue makes it fall further', () => {
  for (const one of CARS) {
    const plain = gripCue(one, 0);
    expect(plain.lead).toBeLessThan(1);
    expect(plain.lead).toBeGreaterThan(0.6);
    expect(plain.drop).toBeGreaterThan(0);
    const more = gripCue(one, 0.5);
    expect(more.drop).toBeGreaterThan(plain.drop + 0.1);
    expect(Math.max(...more.curve.map(({ torque }) => torque))).toBeCloseTo(1, 9);
  }
});
