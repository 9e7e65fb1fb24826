import { SMALL_MENUS } from '@/core/testing/smallMenus';
import type { Menus } from '@/core/settings/menus';
import type { RotationInForce } from '@/core/settings/rotationOf';
import { changeAsked } from '@/core/settings/proposal';
import { lockProposals } from './lock';

const turns = (max: number) => ({
  key: 'turns',
  label: 'Rotation',
  min: 90,
  max,
  step: 10,
  neutral: max,
  maps: { kind: 'degrees' as const, of: 'rotation' as const },
});
const menus = (baseMax: number): Menus => ({
  ...SMALL_MENUS,
  base: {
    steering: {
      dialect: { name: 'Loft base', axis: 'steering', fields: [turns(baseMax)] },
      drawsCurve: false,
    },
  },
});
const rotation: RotationInForce = {
  baseDeg: 900,
  titleDeg: 900,
  carDeg: 540,
  carOwnDeg: 540,
  isStretch: false,
};
const view = (over: Partial<RotationInForce> = {}, baseMax = 1080) =>
  ({
    menus: menus(baseMax),
    rotation: { ...rotation, ...over },
    schools: { rotation: 'own' },
    axes: [],
    names: { rig: 'Loft', title: 'Ferry Lane', car: 'Brook 12', driver: 'Late shift' },
  }) as unknown as Parameters<typeof lockProposals>[0];

it('base and title follow the car, each in its own menu’s word and place', () => {
  const { all, assisted } = lockProposals(view());
  expect(all.map(({ key, label, from, to }) => [key.layer, key.field, label, from, to])).toEqual([
    ['base', 'turns', 'Rotation on the base', 900, 540],
    ['title', 'rotation', 'Wheel turns in Ferry Lane', 900, 540],
  ]);
  expect(assisted).toEqual([]);
});

it('a base that ends before the car does gets less, and may get much less in base and title together', () => {
  const { all, assisted } = lockProposals(
    view({ baseDeg: 270, titleDeg: 270, carDeg: 900, carOwnDeg: 900 }, 360),
  );
  expect(all.map(({ to }) => to)).toEqual([360, 360]);
  expect(assisted.map(({ key, to }) => [key.layer, to])).toEqual([
    ['base', 270],
    ['title', 270],
  ]);
});

it('nothing is proposed where all agree, nor for a base that cannot be set', () => {
  expect(lockProposals(view({ baseDeg: 540, titleDeg: 540 })).all).toEqual([]);
  const fixed = view();
  expect(lockProposals({ ...fixed, menus: SMALL_MENUS })).toEqual({ all: [], assisted: [] });
});

it('a proposal that is applied says what the page saw, also where nothing was set', () => {
  const [base] = lockProposals(view()).all;
  expect(changeAsked(base!, {})).toMatchObject({
    layer: 'base',
    axis: 'steering',
    field: 'turns',
    to: 540,
    seen: null,
  });
  expect(changeAsked(base!, { 'base/steering/turns': 900 }).seen).toBe(900);
  expect(changeAsked(base!, {}).why).toBe(base!.evidence);
});
