import { carById } from '@/catalog/find';
import { baseTorque } from '../force/baseTorque';
import { PLAIN_TITLE, plainBase, type BaseForce, type BaseHardware } from '../force/forceSettings';
import { halfTurn, CATCHES_S } from '../force/halfTurn';
import { rimAt, stepRim } from '../force/motorRim';
import { columnTorque } from '../force/titleSignal';
import { HANDS_OFF, makeTwoTrack, restingState } from '../vehicle/twoTrack';

const DT = 0.001;
const DEG = 180 / Math.PI;
const car = carById('fenwick-six');
const body = makeTwoTrack(car);

const DIRECT: BaseHardware = {
  ...{ ratedNm: 14, frictionNm: 0.08, delayS: 0.002, inertiaKgM2: 0.02, viscousNms: 0.005 },
  ...{ topRadps: 45, rotationDeg: 900 },
};
const title = { ...PLAIN_TITLE, rateHz: 500 };
const baseOf = (more: Partial<BaseForce>): BaseForce => ({
  ...plainBase(DIRECT.ratedNm),
  strength: 0.6,
  ...more,
});

/** Nine slides by the handbrake, at several speeds and for several times: from soon caught by itself to lost by any hand. */
const SLIDES = [12, 14, 16].flatMap((speed) => [0.35, 0.45, 0.55].map((pullS) => ({ speed, pullS })));
const TURNED_IN = 0.12;
const LASTS_S = 5;

/** Lets go of everything in a slide, the rim driven through base and motor; gives whether it comes straight by itself. */
function catches(base: BaseForce, { speed, pullS }: (typeof SLIDES)[number], hardware = DIRECT): boolean {
  const state = restingState(car, speed);
  const motor = baseTorque(title, base, hardware, 1 / DT);
  const rim = rimAt(TURNED_IN * car.steeringRatio);
  let due = 0;
  let signal = 0;
  let [straightS, most] = [0, 0];
  for (let t = 0; t < pullS + LASTS_S; t += DT) {
    const isHeld = t < pullS;
    body.step(
      state,
      { ...HANDS_OFF, clutch: 1, steer: rim.angle / car.steeringRatio, handbrake: isHeld ? 1 : 0 },
      DT,
    );
    const isNew = t >= due - DT / 2;
    if (isNew) {
      due += 1 / title.rateHz;
      const wanted = columnTorque(car, state.momentMechanical, state.momentPneumatic) / car.fullScaleNm;
      signal = Math.max(-1, Math.min(1, title.gain * wanted));
    }
    const torque = motor.next(signal, isNew, rim, state.vx);
    if (!isHeld) stepRim(rim, torque, hardware.inertiaKgM2, hardware.viscousNms, hardware.frictionNm, DT);
    const drift = Math.abs(Math.atan2(state.vy, state.vx)) * DEG;
    most = Math.max(most, drift);
    if (drift > 90) return false;
    straightS = !isHeld && drift < 3 && Math.abs(state.yawRate) < 0.15 ? straightS + DT : 0;
    if (straightS > 0.4) return most > 6;
  }
  return false;
}

const caught = (base: Partial<BaseForce>, hardware = DIRECT) =>
  SLIDES.filter((slide) => catches(baseOf(base), slide, hardware)).length;

it('a rim that is let go catches most slides by itself, fewer of them the more its base damps', () => {
  const counts = [0, 0.05, 0.15, 0.4, 1].map((damperNms) => caught({ damperNms }));
  expect(counts[0]).toBeGreaterThanOrEqual(6);
  for (let i = 1; i < counts.length; i++) expect(counts[i]).toBeLessThanOrEqual(counts[i - 1]!);
  expect(counts.at(-1)).toBeLessThanOrEqual(2);
});

it('a weak base and one that is slow and rubs catch fewer', () => {
  const strong = caught({});
  expect(caught({ strength: 0.15 })).toBeLessThan(strong);
  const gear = { ratedNm: 2.2, frictionNm: 0.22, delayS: 0.01, inertiaKgM2: 0.01, topRadps: 14 };
  expect(caught({}, { ...DIRECT, ...gear })).toBeLessThan(strong / 2);
});

it('the half turn that needs no car tells it: what turns soon catches, what turns late does not', () => {
  const [nearly, hardly] = CATCHES_S;
  const most = caught({});
  for (const damperNms of [0, 0.02, 0.05, 0.1, 0.15, 0.25, 0.4, 0.6, 1]) {
    const { nowS } = halfTurn({ car, title, base: baseOf({ damperNms }), hardware: DIRECT });
    const share = caught({ damperNms }) / most;
    if (nowS! < nearly) expect([damperNms, share > 0.8]).toEqual([damperNms, true]);
    if (nowS! > 1.2 * hardly) expect([damperNms, share <= 0.5]).toEqual([damperNms, true]);
  }
});
