import { quantile } from '../numeric/order';
import { SURFACES } from '../rides/rideLog';
import { peakTanFront, type CarSpec } from '../vehicle/carSpec';
import type { ForceInputs } from './forceInputs';
import { eachEffect, EFFECTS, type Effect } from './effects';
import type { TitleSignal } from './titleSignal';
import { frontAtSlip, torquePeakSlip } from './torquePeak';
import { understeerFactor } from './understeerCue';

/** Kinds of road over which effects are weighed against the main force. */
const STRETCHES = ['straight', 'slow corner', 'fast corner', 'kerb', 'off-track'] as const;
export type Stretch = (typeof STRETCHES)[number];

/** Below this share of the ride's own P95 of lateral acceleration it goes straight. */
const STRAIGHT_SHARE = 0.2;
const FAST_MPS = 25;
/** A stretch shorter than this says nothing. */
const LEAST_S = 0.5;

export interface StretchBalance {
  stretch: Stretch;
  /** How long it was driven, s. */
  lastsS: number;
  /** RMS of the tyres' force, share of full scale. */
  main: number;
  /** RMS of each effect over that of the tyres; `null` where the tyres give nothing. */
  mask: Record<Effect, number | null>;
}

/** Every effect against the force of the tyres, stretch by stretch; those hardly driven are left out. */
export function balanceOf(inputs: ForceInputs, signal: TitleSignal): StretchBalance[] {
  const { t, rateHz, lateralMps2 } = inputs;
  if (t.length === 0) return [];
  const straight = STRAIGHT_SHARE * quantile(lateralMps2.map(Math.abs), 0.95);
  const rows = STRETCHES.map(() => ({
    count: 0,
    main: 0,
    effects: EFFECTS.map(() => 0),
  }));
  for (let i = 0; i < t.length; i++) {
    const row = rows[STRETCHES.indexOf(stretchAt(inputs, i, straight))]!;
    row.count++;
    row.main += signal.main[i]! ** 2;
    EFFECTS.forEach((effect, k) => (row.effects[k]! += signal.effects[effect][i]! ** 2));
  }
  return rows.flatMap(({ count, main, effects }, i) =>
    count < LEAST_S * rateHz
      ? []
      : [
          {
            stretch: STRETCHES[i]!,
            lastsS: count / rateHz,
            main: Math.sqrt(main / count),
            mask: eachEffect((effect) =>
              main > 0 ? Math.sqrt(effects[EFFECTS.indexOf(effect)]! / main) : null,
            ),
          },
        ],
  );
}

function stretchAt({ surface, lateralMps2, speedMps }: ForceInputs, i: number, straight: number): Stretch {
  const under = SURFACES[surface[i]!];
  if (under === 'offtrack') return 'off-track';
  if (under === 'kerb') return 'kerb';
  if (Math.abs(lateralMps2[i]!) < straight) return 'straight';
  return speedMps[i]! < FAST_MPS ? 'slow corner' : 'fast corner';
}

const CUE_POINTS = 60;
/** Slip that is shown, in peaks of the side force. */
const SHOWN_PEAKS = 2;

/** What the rim says of the front's grip. */
export interface GripCue {
  /** Slip in degrees, side force and column torque in shares of their own greatest. */
  curve: { slipDeg: number; side: number; torque: number }[];
  /** Side force, as a share of its greatest, at which the torque peaks: the earlier, the longer the warning. */
  lead: number;
  /** How much the torque has fallen from its peak when the side force is greatest. */
  drop: number;
}

/** Torque against slip of the fronts at rest load, with the understeer cue at a strength of 0…1. */
export function gripCue(car: CarSpec, strength: number): GripCue {
  const at = frontAtSlip(car);
  const peak = peakTanFront(car);
  const torquePeak = torquePeakSlip(car);
  const raw = Array.from({ length: CUE_POINTS + 1 }, (_, i) => {
    const slip = (SHOWN_PEAKS * peak * i) / CUE_POINTS;
    const { side, moment } = at(slip);
    return { slip, side, torque: moment * understeerFactor(slip, torquePeak, strength) };
  });
  const mostSide = Math.max(...raw.map(({ side }) => side));
  const mostTorque = Math.max(...raw.map(({ torque }) => torque));
  const atTorque = raw.find(({ torque }) => torque === mostTorque)!;
  const atSide = raw.find(({ side }) => side === mostSide)!;
  return {
    curve: raw.map(({ slip, side, torque }) => ({
      slipDeg: (Math.atan(slip) * 180) / Math.PI,
      side: side / mostSide,
      torque: torque / mostTorque,
    })),
    lead: atTorque.side / mostSide,
    drop: 1 - atSide.torque / mostTorque,
  };
}

/** An effect stronger than this against the tyres hides what they say. */
export const MASKS_FROM = 0.5;
/** Going straight the tyres say little: an effect may be this many times louder there. */
const STRAIGHT_IS_QUIET = 2;

/** What a ride says of the effects and of the grip cue. */
export interface BalanceReport {
  balance: StretchBalance[];
  cue: GripCue;
}

/** What is louder than the tyres where it should not be. */
export function maskNotes(balance: StretchBalance[], names: Partial<Record<Effect, string>>): string[] {
  return balance.flatMap(({ stretch, mask }) =>
    EFFECTS.flatMap((effect) => {
      const ratio = mask[effect];
      // On a kerb and off the track an effect is the information.
      if (ratio === null || ratio < MASKS_FROM || stretch === 'kerb' || stretch === 'off-track') return [];
      if (stretch === 'straight' && ratio < STRAIGHT_IS_QUIET * MASKS_FROM) return [];
      return [
        `${names[effect] ?? effect} is ${Math.round(100 * ratio)} % of the tyres’ own force on a ${stretch}: less of it tells more.`,
      ];
    }),
  );
}
