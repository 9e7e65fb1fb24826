import { z } from 'zod';
import { MEASURES, type MeasureName } from '../rides/measures';
import { keyOfText, settingKeySchema, settingValueSchema } from '../settings/setting';
import { STRETCHES } from '../driving/stretch';
import { DIMENSIONS, type Dimension } from './pairedRatings';

/**
 * How rides are driven: by the simulated driver, by hand in the title, there with a helper who loads what is not told, there with files,
 * or on our own roads, where the program loads it.
 */
export const WAYS = ['simulated', 'title', 'helper', 'files', 'here'] as const;
export type Way = (typeof WAYS)[number];

const MOST_LAPS = 20;
const OFF_GRID = 1e-6;

export const settingText = z
  .string()
  .refine((text) => settingKeySchema.safeParse(keyOfText(text)).success, 'no layer/axis/field');
/** Values of a side; `null` stands for what the menu has by itself. */
export const sideSchema = z
  .record(settingText, settingValueSchema.nullable())
  .refine(
    (side) => Object.keys(side).length >= 1 && Object.keys(side).length <= 20,
    'one to twenty settings',
  );
export type Side = z.output<typeof sideSchema>;

export const measureSchema = z.enum(MEASURES.map(({ name }) => name) as [MeasureName, ...MeasureName[]]);
export const dimensionSchema = z.enum(Object.keys(DIMENSIONS) as [Dimension, ...Dimension[]]);
export const lapsPerRide = z.int().min(1).max(MOST_LAPS);

/** Where each ride is a few seconds of road instead of laps; only here. */
export const stretch = z.enum(STRETCHES).nullable().optional();
export const isShortHere = ({ way, stretch: short }: { way: Way; stretch?: string | null | undefined }) =>
  !short || way === 'here';
export const SHORT_ELSEWHERE = { message: 'short rides are driven here', path: ['stretch'] };

/** A setting, and from where to where on its menu's grid. */
export const rangeSchema = z
  .strictObject({ key: settingText, min: z.number(), max: z.number(), step: z.number().positive() })
  .refine(({ min, max, step }) => max - min >= step, {
    message: 'max lies a step above min or more',
    path: ['max'],
  });
export type Range = z.output<typeof rangeSchema>;

/** Whether a value lies in a range, whatever its last digits were rounded to. */
export const isWithin = ({ min, max }: Range, value: number) =>
  value >= min - OFF_GRID && value <= max + OFF_GRID;
