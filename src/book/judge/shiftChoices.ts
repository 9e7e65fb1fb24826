import { closedFormHold } from '@/core/launch/closedFormHold';
import { BY_ITSELF, SHIFTERS, type LiveLever, type Shifting } from '@/core/driving/shifting';
import { CLUTCHES } from '@/core/vehicle/transmission';
import { drivelineOf } from '@/core/vehicle/drivelineSpec';
import { matchRotation } from '@/core/rotation/matchRotation';
import type { BookView } from '../model/bookView';

type Asked = Record<'gears' | 'clutch' | 'hold', string | undefined>;

export interface ShiftChoices {
  gears: Shifting['gears'][];
  clutch: Shifting['clutch'][];
}

/** The usual hold lies so much of the travel beyond what the tyres hold. */
const SAFE_SIDE = 0.02;

/** The rig's lever as its capture read it; `undefined` where it has none, or nobody has put it into its gates yet. */
export function liveLever({ axes, rig }: Pick<BookView, 'axes' | 'rig'>): LiveLever | undefined {
  const analysis = axes.find(({ axis }) => axis === 'gear')?.capture?.analysis;
  if (analysis?.axis !== 'gear') return undefined;
  const gates = analysis.gates.flatMap(({ gate, reading }) =>
    reading === null ? [] : [{ gear: gate, reading }],
  );
  if (gates.length === 0) return undefined;
  return {
    places: [{ gear: 0, reading: analysis.centre }, ...gates],
    isSequential: rig.spec.shifter?.kind === 'sequential',
  };
}

/** What can shift and what can work the clutch on this rig in this car, the usual first. */
export function shiftChoices(view: BookView): ShiftChoices {
  if (!drivelineOf(view.car)) return { gears: ['self'], clutch: ['self'] };
  const { pedals, paddles, rim } = view.rig.spec;
  const shifts = { self: true, paddles: true, lever: liveLever(view) !== undefined };
  const works = {
    self: true,
    foot: pedals.clutch !== null,
    paddles: paddles && rim.paddleMode !== 'brake-throttle',
  };
  return { gears: SHIFTERS.filter((one) => shifts[one]), clutch: CLUTCHES.filter((one) => works[one]) };
}

/** What the second paddle of a two-stage clutch holds where nobody says it: a little on the safe side of what the tyres hold. */
export function usualHold({ car }: Pick<BookView, 'car'>): number {
  const spec = drivelineOf(car);
  return spec ? Math.round(100 * (closedFormHold(car, spec) + SAFE_SIDE)) / 100 : 0;
}

/** How gears and clutch are worked, as an address asks for it; what this rig cannot do is done by itself. */
export function shiftingOf(view: BookView, { gears, clutch, hold }: Asked): Shifting {
  const choices = shiftChoices(view);
  const held = Number(hold ?? NaN) / 100;
  return {
    gears: choices.gears.find((one) => one === gears) ?? BY_ITSELF.gears,
    clutch: choices.clutch.find((one) => one === clutch) ?? BY_ITSELF.clutch,
    hold: held > 0 && held <= 1 ? held : usualHold(view),
  };
}

/** Whether this wheel ends before the car's lock: then a steering can help. */
export const endsBeforeLock = ({ rotation }: Pick<BookView, 'rotation'>): boolean =>
  rotation.baseDeg * matchRotation(rotation).gain < rotation.carDeg - 1;
