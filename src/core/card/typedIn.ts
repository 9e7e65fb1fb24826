import { z } from 'zod';
import { settingValuesSchema } from '../settings/setting';
import { line } from '../text/line';
import { atMsSchema } from '../text/time';

/** The card of a combination was typed into the title: when, into which versions, and with which values. */
export const typedInSchema = z.strictObject({
  atMs: atMsSchema,
  version: line(400),
  values: settingValuesSchema,
});
export type TypedIn = z.output<typeof typedInSchema>;
