import { respond } from '../response/compose';
import { gridCount, gridPoint, toCanonical, type MenuField } from '../response/menuSchema';
import type { ResponseLayer } from '../response/layer';
import { curveOf } from '../response/settings';
import { hairpinHand, type Hairpin } from './matchRotation';

/** What the guide may move, and what it must keep. */
export interface CalmWish {
  /** Wanted: road-wheel degrees per hand degree over the first ten degrees of the hand. */
  wanted: number;
  /** Rotation of the base now, and the grid that it can be set on. */
  baseNowDeg: number;
  baseField: MenuField;
  /** The title's linearity; what else it and the other layers do stays. */
  linearity: MenuField;
  layers: ResponseLayer[];
  /** Index of the title's layer among them. */
  titleLayer: number;
  isStretch: boolean;
  carDeg: number;
  ratio: number;
  hairpin: Pick<Hairpin, 'radiusM' | 'wheelbaseM'>;
}

export interface CalmSetting {
  baseDeg: number;
  linearity: number;
  /** Road-wheel degrees per hand degree over the first ten degrees. */
  centre: number;
  /** Hand angle that the hairpin asks for; `null` where the lock ends before it. */
  hairpinDeg: number | null;
  /** Hand angle at which the car's lock is reached. */
  fullLockDeg: number;
}

const CENTRE_DEG = 10;
const DEGREES = 180 / Math.PI;
/** Changing what is set already is worth this share of a miss, per whole range. */
const CHANGE_COST = 0.02;

/**
 * Rotation and linearity together for a wanted calm around the centre: full lock stays within the base's turn, and the
 * hairpin within 95 % of it. Base and title stay one-to-one (a direct title is set to the base's rotation).
 * @returns `null` where no setting keeps lock and hairpin
 */
export function calmCentre(wish: CalmWish): CalmSetting | null {
  const { baseField, linearity } = wish;
  let best: { setting: CalmSetting; cost: number } | null = null;
  for (let p = 0; p < gridCount(baseField); p++) {
    const baseDeg = gridPoint(baseField, p);
    if (!wish.isStretch && baseDeg < wish.carDeg) continue;
    for (let l = 0; l < gridCount(linearity); l++) {
      const setting = settingAt(wish, baseDeg, gridPoint(linearity, l));
      if (setting.hairpinDeg === null) continue;
      const miss = Math.abs(setting.centre - wish.wanted) / wish.wanted;
      const turned = Math.abs(baseDeg - wish.baseNowDeg) / baseField.max;
      const bent = Math.abs(setting.linearity - linearity.neutral) / (linearity.max - linearity.min);
      const cost = miss + CHANGE_COST * (turned + bent);
      if (!best || cost < best.cost) best = { setting, cost };
    }
  }
  return best?.setting ?? null;
}

/** What rotation and linearity do as they are given. */
export function settingAt(wish: CalmWish, baseDeg: number, linearity: number): CalmSetting {
  const roadDeg = Math.atan(wish.hairpin.wheelbaseM / wish.hairpin.radiusM) * DEGREES;
  const own = wish.layers[wish.titleLayer]!;
  const curve = curveOf(wish.linearity, toCanonical(wish.linearity, linearity));
  const layers = wish.layers.map((layer, i) => (i === wish.titleLayer ? { ...own, curve } : layer));
  const span = wish.isStretch ? wish.carDeg : baseDeg;
  /** Hand wheel of the car, as the title turns it, for a share of the base's half turn. */
  const virtual = (share: number) => Math.min(wish.carDeg / 2, (respond(layers, share) * span) / 2);
  const handFor = (wanted: number): number | null => {
    if (virtual(1) < wanted - REACHED) return null;
    let [low, high] = [0, 1];
    for (let i = 0; i < BISECTIONS; i++) {
      const middle = (low + high) / 2;
      if (virtual(middle) < wanted - REACHED) low = middle;
      else high = middle;
    }
    return (high * baseDeg) / 2;
  };
  const wantedHand = roadDeg * wish.ratio;
  const fits = hairpinHand({ ...wish.hairpin, ratio: wish.ratio, carDeg: wish.carDeg }).isEnough;
  return {
    baseDeg,
    linearity,
    centre: virtual(CENTRE_DEG / (baseDeg / 2)) / wish.ratio / CENTRE_DEG,
    hairpinDeg: fits ? handFor(wantedHand) : null,
    fullLockDeg: handFor(wish.carDeg / 2) ?? baseDeg / 2,
  };
}

const REACHED = 1e-6;
const BISECTIONS = 40;
