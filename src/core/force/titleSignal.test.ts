import { carById, simulatedRigById, titleById } from '@/catalog/find';
import { menusFor } from '@/catalog/menusFor';
import { forceRow } from '../testing/forceRow';
import { chainOf } from './chainOf';
import { eachEffect } from './effects';
import { forceRecorder, type ForceInputs } from './forceInputs';
import type { ForceChain } from './handsOff';
import { judgeForce } from './judgeForce';

const marl = carById('marl-850');
const rig = simulatedRigById('tern').spec;
const causeway = titleById('causeway');
const menus = menusFor(rig, causeway, marl);
const plain = chainOf({ car: marl, rig, rateHz: 100, menus, values: {}, rotationDeg: null });

/** Four seconds over road, kerb and bumps; the same numbers every time, in arrays of their own. */
function driven(): ForceInputs {
  const recorder = forceRecorder(100);
  for (let i = 0; i < 400; i++)
    recorder.push(
      forceRow({
        ...{ t: i / 100, distanceM: i / 4, speedMps: 25, lateralMps2: 8 * Math.sin(i / 40) },
        ...{ momentMechanical: 200 * Math.sin(i / 40), momentPneumatic: 90 * Math.sin(i / 40) },
        ...{ slipFront: 0.15 * Math.abs(Math.sin(i / 40)), surface: Math.floor(i / 100) % 3 },
      }),
    );
  return recorder.finish();
}

/** Another value of everything that a sum hangs on, and of what it does not. */
const OTHERS: Record<string, (chain: ForceChain) => ForceChain> = {
  gain: (chain) => ({ ...chain, title: { ...chain.title, gain: chain.title.gain / 2 } }),
  'minimum force': (chain) => ({ ...chain, title: { ...chain.title, minForce: 0.1 } }),
  strength: (chain) => ({ ...chain, base: { ...chain.base, strength: 0.5 } }),
  trails: (chain) => ({ ...chain, title: { ...chain.title, trails: { mechanical: 1, pneumatic: 2 } } }),
  'understeer cue': (chain) => ({ ...chain, title: { ...chain.title, understeerCue: 0.6 } }),
  effects: (chain) => ({ ...chain, title: { ...chain.title, effects: eachEffect(() => 0.5) } }),
  'the car': (chain) => ({ ...chain, car: { ...chain.car, fullScaleNm: 2 * chain.car.fullScaleNm } }),
};

it.each(Object.entries(OTHERS))(
  'over a ride that was judged before, another %s is judged as over a new one',
  (_, other) => {
    const inputs = driven();
    const before = judgeForce(inputs, plain, 1);
    const after = judgeForce(inputs, other(plain), 1);
    expect(after).toEqual(judgeForce(driven(), other(plain), 1));
    expect(after).not.toEqual(before);
    expect(judgeForce(inputs, plain, 1)).toEqual(before);
  },
);

it('another draw of the effects is another sum, and a gain alone is not', () => {
  const inputs = driven();
  const loud = OTHERS['effects']!(plain);
  const { sum } = judgeForce(inputs, loud, 1).title;
  expect(judgeForce(inputs, OTHERS['gain']!(loud), 1).title.sum).toBe(sum);
  expect(judgeForce(inputs, loud, 2).title.sum).not.toEqual(sum);
});
