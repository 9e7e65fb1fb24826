import { z } from 'zod';

/** How a speed is written. A new unit is an entry here. */
const TABLE = {
  kmh: { word: 'km/h', perMps: 3.6 },
  mph: { word: 'mph', perMps: 3600 / 1609.344 },
  mps: { word: 'm/s', perMps: 1 },
} as const;

export type SpeedUnit = keyof typeof TABLE;
export const SPEED_UNITS = Object.keys(TABLE) as SpeedUnit[];
export const speedUnitSchema = z.enum(['kmh', 'mph', 'mps']);
/** What most read on their own dashboard. */
export const USUAL_SPEED_UNIT: SpeedUnit = 'kmh';

export const speedWord = (unit: SpeedUnit): string => TABLE[unit].word;

/** A speed in a driver's own unit. */
export const inUnit = (mps: number, unit: SpeedUnit): number => mps * TABLE[unit].perMps;

/** "144 km/h", whole. */
export const speedText = (mps: number, unit: SpeedUnit): string =>
  `${Math.round(inUnit(mps, unit))} ${speedWord(unit)}`;
