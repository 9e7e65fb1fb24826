import type { z } from 'zod';
import { schemaProblem } from '@/core/formats/schemaProblem';
import { fail, succeed, type Outcome } from '@/core/problem';

/** What a page sent to an action: as the schema reads it, or what is wrong with it. Any page can send anything. */
export function parseInput<T extends z.ZodType>(schema: T, input: unknown): Outcome<z.output<T>> {
  const parsed = schema.safeParse(input);
  return parsed.success
    ? succeed(parsed.data)
    : fail(...parsed.error.issues.slice(0, 3).map((issue) => schemaProblem(issue)));
}
