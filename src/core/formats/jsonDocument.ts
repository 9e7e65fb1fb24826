import { z } from 'zod';
import { fail, reasonOf, succeed, type Outcome, type Problem } from '../problem';
import { schemaProblem } from './schemaProblem';

/**
 * Reads a JSON document of ours: right `format`, a `version` that we know, and no key that the schema does not.
 * @param newest the newest version that this program understands
 */
export function readDocument<T extends z.ZodType>(
  text: string,
  schema: T,
  format: string,
  newest = 1,
): Outcome<z.output<T>> {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (error) {
    return fail(notJson(error));
  }
  const head = z
    .looseObject({ format: z.unknown().optional(), version: z.unknown().optional() })
    .safeParse(json);
  const found = head.success ? head.data : {};
  if (found.format !== format)
    return fail({
      code: 'wrong-format',
      message: `This is ${typeof found.format === 'string' ? `"${found.format}"` : 'a file without a "format" in words'}.`,
      place: { column: 'format' },
      remedy: `"format" must be "${format}".`,
    });
  if (typeof found.version === 'number' && found.version > newest)
    return fail({
      code: 'newer-version',
      message: `The file has version ${found.version}; this program reads up to ${newest}.`,
      place: { column: 'version' },
      remedy: 'Update Pebble Road, or save the file from there as an older version.',
    });
  const parsed = schema.safeParse(json);
  if (parsed.success) return succeed(parsed.data);
  return fail(...parsed.error.issues.slice(0, 5).map((issue) => schemaProblem(issue)));
}

function notJson(error: unknown): Problem {
  return {
    code: 'not-json',
    message: `The file is not JSON (${reasonOf(error)}).`,
    place: {},
    remedy: 'Check that it is the right file and whole.',
  };
}
