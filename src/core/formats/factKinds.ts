import { z } from 'zod';
import { buttonMapSchema } from '../buttons/buttonMap';
import { chosenColumnsSchema } from '../import/rideUnits';
import { rotationReminderSchema, titleVersionSchema } from '../ready/preflight';
import { weaningPlanSchema } from '../response/weaning';
import { declinedSchema } from '../settings/proposal';
import { combinationSchema } from '../settings/scope';
import { schoolsSchema } from '../settings/schools';
import { idSchema, line } from '../text/line';
import { speedUnitSchema } from '../text/speedUnit';

/** Single facts of a book by the beginning of their key: what may stand there. A new one is an entry here. */
const KINDS = {
  combination: combinationSchema,
  'combination/': combinationSchema,
  'import/': chosenColumnsSchema,
  'weaning/': weaningPlanSchema,
  'rotation-reminder/': rotationReminderSchema,
  'title-version/': titleVersionSchema,
  'road/': idSchema,
  'schools/': schoolsSchema,
  'declined/': declinedSchema,
  'speed/': speedUnitSchema,
  'buttons/': buttonMapSchema,
} as const;
type Kind = keyof typeof KINDS;

const factKeySchema = line(400).min(1);

/** The kind of a fact: what its key is, or begins with up to its first stroke. */
export function factKind(key: string): Kind | null {
  const kind = key.includes('/') ? key.slice(0, key.indexOf('/') + 1) : key;
  return Object.hasOwn(KINDS, kind) ? (kind as Kind) : null;
}

/** A fact as the book keeps it: a key that is known, and the value that belongs under it. */
export const factSchema = z
  .strictObject({ key: factKeySchema, value: z.unknown() })
  .superRefine(({ key, value }, context) => {
    const kind = factKind(key);
    if (kind === null)
      context.addIssue({ code: 'custom', path: ['key'], message: 'no fact of a book has such a key' });
    else
      for (const issue of KINDS[kind].safeParse(value).error?.issues ?? [])
        context.addIssue({ ...issue, path: ['value', ...issue.path] } as never);
  });
