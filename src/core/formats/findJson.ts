import { z } from 'zod';
import { findBest, type FinderAnswer } from '../experiment/finder/findBest';
import { jsonFormat } from './jsonFormat';

const MOST_SETTINGS = 3;
const MOST_LISTED = 500;
const LARGEST = 1e9;
/** Values off the grid by less than this share of a step were rounded when they were written. */
const OFF_GRID = 0.01;

const number = z.number().min(-LARGEST).max(LARGEST);
const keySchema = z.string().min(1).max(100);

const settingSchema = z
  .strictObject({ key: keySchema, min: number, max: number, step: number.positive() })
  .refine(({ min, max }) => max > min, { message: 'max must lie above min', path: ['max'] })
  .refine(({ min, max, step }) => step <= max - min, {
    message: 'a step is at most the range',
    path: ['step'],
  });

const rideSchema = z.strictObject({
  values: z.record(keySchema, number),
  better: z.enum(['this', 'before']).nullable(),
  wants: z.record(keySchema, z.enum(['more', 'less', 'right']).nullable()),
});

const findSchema = z
  .strictObject({
    seed: z.int().min(0).max(Number.MAX_SAFE_INTEGER),
    settings: z.array(settingSchema).min(1).max(MOST_SETTINGS),
    rides: z.array(rideSchema).max(MOST_LISTED),
  })
  .superRefine(({ settings, rides }, context) => {
    const keys = settings.map(({ key }) => key);
    const say = (message: string, ...path: (string | number)[]) =>
      context.addIssue({ code: 'custom', message, path });
    if (new Set(keys).size < keys.length) say('a setting stands twice', 'settings');
    rides.forEach(({ values, wants, better }, i) => {
      if (i === 0 && better !== null) say('there is no ride before the first', 'rides', i, 'better');
      for (const { key, min, max, step } of settings) {
        const value = values[key];
        if (value === undefined) say(`a value of ${key} is missing`, 'rides', i, 'values');
        else if (value < min || value > max)
          say(`${key} goes from ${min} to ${max}`, 'rides', i, 'values', key);
        else if (Math.abs((value - min) / step - Math.round((value - min) / step)) > OFF_GRID)
          say(`${key} goes in steps of ${step} from ${min}`, 'rides', i, 'values', key);
      }
      for (const [part, record] of Object.entries({ values, wants }))
        for (const key of Object.keys(record))
          if (!keys.includes(key)) say(`${key} is none of the settings`, 'rides', i, part, key);
    });
  });

/** A `*.find.json`. */
export const { read: readFindJson } = jsonFormat({ name: 'find', schema: findSchema });

/** What a search says so far. */
export const judgeFind = ({ settings, rides, seed }: z.output<typeof findSchema>): FinderAnswer =>
  findBest(settings, rides, seed);
