import { z } from 'zod';
import type { Outcome } from '../problem';
import { BLEND_RANGE, GAMMA_RANGE, LEAST_GAP } from '../response/curve';
import { LEAST_TRAVEL, TRAVEL_ROUNDING, type ResponseLayer } from '../response/layer';
import { jsonFormat } from './jsonFormat';

/** More points than this no menu lets one draw. */
const MOST_POINTS = 50;

const pointsSchema = z
  .array(z.tuple([z.number().min(0).max(1), z.number().min(0).max(1)]))
  .min(2)
  .max(MOST_POINTS)
  .refine((p) => p[0]![0] === 0 && p[0]![1] === 0, 'the first point must be [0, 0]')
  .refine((p) => p.at(-1)![0] === 1 && p.at(-1)![1] === 1, 'the last point must be [1, 1]')
  .refine(
    (p) => p.every(([x], i) => i === 0 || x >= p[i - 1]![0] + LEAST_GAP),
    `x must rise from point to point, by ${LEAST_GAP} or more`,
  )
  .refine((p) => p.every(([, y], i) => i === 0 || y >= p[i - 1]![1]), 'y must never fall');

const curveSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('power'), gamma: z.number().min(GAMMA_RANGE[0]).max(GAMMA_RANGE[1]) }),
  z.strictObject({ kind: z.literal('blend'), k: z.number().min(BLEND_RANGE[0]).max(BLEND_RANGE[1]) }),
  z.strictObject({ kind: z.literal('points'), points: pointsSchema }),
]);

export const layerSchema = z
  .strictObject({
    deadzone: z.number().min(0).max(1),
    saturation: z.number().min(0).max(1),
    curve: curveSchema,
  })
  .refine(
    (layer) => layer.saturation - layer.deadzone >= LEAST_TRAVEL - TRAVEL_ROUNDING,
    `saturation must lie at least ${LEAST_TRAVEL} above deadzone`,
  );

const responseSchema = z.strictObject({
  layers: z.array(layerSchema).min(1).max(3),
});

/** Reads the 1 to 3 layers of one axis, in signal order. */
export const readResponseJson: (text: string) => Outcome<{ layers: ResponseLayer[] }> = jsonFormat({
  name: 'response',
  schema: responseSchema,
}).read;
