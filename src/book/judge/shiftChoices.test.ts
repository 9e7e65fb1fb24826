import { carById, simulatedRigById } from '@/catalog/find';
import type { ShifterAnalysis } from '@/core/axes/analyseShifter';
import { BY_ITSELF, leverAt } from '@/core/driving/shifting';
import { addRig } from '@/data/rigs';
import { bookInMemory } from '../testing/bookInMemory';
import { bookView } from '../read/readBook';
import { changeCombination } from '../write/settings';
import type { CaptureView } from '../model/axisView';
import type { BookView } from '../model/bookView';
import { livePlan, PLAINLY } from './livePlan';
import { endsBeforeLock, liveLever, shiftChoices, shiftingOf, usualHold } from './shiftChoices';

jest.mock('next/cache', () => ({ revalidatePath: () => undefined }));

bookInMemory(async (db) => {
  for (const id of ['gannet', 'wren', 'tern'])
    await addRig(db, { id, name: id, spec: simulatedRigById(id).spec });
});

async function viewOn(rigId: string, carId = 'fenwick-six'): Promise<BookView> {
  await changeCombination({ rigId, titleId: 'causeway', carId, driver: 'Late shift' });
  return (await bookView())!;
}

/** The same with its lever put into these places once. */
function withLever(view: BookView, gates: { gate: number; reading: number | null }[]): BookView {
  const analysis = { axis: 'gear', centre: 0, gates } as unknown as ShifterAnalysis;
  const gear = { ...view.axes[0]!, axis: 'gear', capture: { analysis } as CaptureView } as const;
  return { ...view, axes: [...view.axes.filter(({ axis }) => axis !== 'gear'), gear] };
}

it('offers what the rig has and the car can use, and does the rest by itself', async () => {
  const gannet = await viewOn('gannet');
  expect(shiftChoices(gannet)).toEqual({ gears: ['self', 'paddles'], clutch: ['self', 'foot', 'paddles'] });
  const byHand = structuredClone(gannet);
  byHand.rig.spec.rim.paddleMode = 'brake-throttle';
  expect(shiftChoices(byHand).clutch).toEqual(['self', 'foot']);
  const oldCar = { ...gannet, car: { ...gannet.car, engine: undefined } as unknown as BookView['car'] };
  expect(shiftChoices(oldCar)).toEqual({ gears: ['self'], clutch: ['self'] });
  expect(shiftingOf(oldCar, { gears: 'paddles', clutch: 'foot', hold: undefined })).toMatchObject({
    gears: 'self',
    clutch: 'self',
  });
  // A lever that nobody has put into its gates yet cannot shift.
  const wren = await viewOn('wren');
  expect(shiftChoices(wren).gears).toEqual(['self', 'paddles']);
  const measured = withLever(wren, [
    { gate: 1, reading: 1 },
    { gate: 2, reading: null },
    { gate: -1, reading: 7 },
  ]);
  expect(shiftChoices(measured).gears).toEqual(['self', 'paddles', 'lever']);
  const lever = liveLever(measured)!;
  // A gate that was never read is not there.
  expect(lever.places.map(({ gear }) => gear)).toEqual([0, 1, -1]);
  expect([lever.isSequential, leverAt(lever, 6)]).toEqual([false, -1]);
  expect(liveLever(withLever(wren, [{ gate: 1, reading: null }]))).toBeUndefined();
});

it('reads an address, and takes what is no hold for the usual one: a little beyond what the tyres hold', async () => {
  const view = await viewOn('gannet');
  const of = (gears?: string, clutch?: string, hold?: string) => shiftingOf(view, { gears, clutch, hold });
  expect(of()).toEqual({ ...BY_ITSELF, hold: usualHold(view) });
  expect(of('paddles', 'paddles', '46')).toEqual({ gears: 'paddles', clutch: 'paddles', hold: 0.46 });
  for (const wrong of ['0', '-3', '101', 'x', ''])
    expect(of('paddles', 'paddles', wrong).hold).toBe(usualHold(view));
  expect(of('lever').gears).toBe('self');
  expect(usualHold(view)).toBeGreaterThan(0.44);
  expect(usualHold(view)).toBeLessThan(0.48);
});

it('a plan has the paddles and the lever only where they work something, and a steering that helps a short wheel', async () => {
  const view = await viewOn('gannet');
  const ranges = Object.fromEntries(
    ['steering', 'throttle', 'brake', 'clutch', 'paddle_left', 'paddle_right'].map((axis) => [
      axis,
      { min: 0, max: 65_535 },
    ]),
  );
  const how = { course: { kind: 'laps', laps: 1 }, isStandIn: false, seed: 1 } as const;
  const plain = livePlan(view, ranges, { ...how, ...PLAINLY }).axes;
  expect([plain.paddles, plain.lever, plain.wheel.assist]).toEqual([undefined, undefined, undefined]);
  const shifting = { gears: 'paddles', clutch: 'paddles', hold: 0.46 } as const;
  const { paddles, pedals } = livePlan(view, ranges, { ...how, shifting, isAssisted: false }).axes;
  expect(paddles).toEqual({ mode: 'two-stage', hold: 0.46 });
  expect(pedals.paddle_right?.calibration).toEqual({ released: 0, pressed: 65_535 });

  expect(
    endsBeforeLock({
      rotation: { ...view.rotation, isStretch: false, baseDeg: 270, titleDeg: 270, carDeg: 900 },
    }),
  ).toBe(true);
  expect(
    endsBeforeLock({
      rotation: { ...view.rotation, isStretch: false, baseDeg: 900, titleDeg: 900, carDeg: 900 },
    }),
  ).toBe(false);
  const short = {
    ...view,
    rotation: { ...view.rotation, isStretch: false, baseDeg: 270, titleDeg: 270, carDeg: 900 },
  };
  const { assist } = livePlan(short, ranges, { ...how, ...PLAINLY, isAssisted: true }).axes.wheel;
  expect(assist).toMatchObject({ halfDeg: 135, lockDeg: 450, ratio: carById('fenwick-six').steeringRatio });
});
