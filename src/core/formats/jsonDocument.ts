import { z } from 'zod';
import { fail, reasonOf, succeed, type Outcome, type Problem } from '../problem';
import { oneLine, quoted } from '../text/line';
import { duplicateJsonKey } from './duplicateJsonKey';
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
  const body = text.startsWith('\uFEFF') ? text.slice(1) : text;
  let json: unknown;
  try {
    json = JSON.parse(body);
  } catch (error) {
    return fail(notJson(error));
  }
  const twice = duplicateJsonKey(body);
  if (twice)
    return fail({
      code: 'key-twice',
      message: `The key ${quoted(twice.key)} stands twice in one object.`,
      place: { row: twice.row },
      remedy: 'Keep one of them.',
    });
  const head = z
    .looseObject({ format: z.unknown().optional(), version: z.unknown().optional() })
    .safeParse(json);
  const found = head.success ? head.data : {};
  if (found.format !== format) {
    const isSaid = typeof found.format === 'string';
    return fail({
      code: 'wrong-format',
      message: isSaid ? `This is ${quoted(String(found.format))}.` : 'It does not say what it is.',
      place: isSaid ? { column: 'format' } : {},
      remedy: `"format" must be "${format}".`,
    });
  }
  if (typeof found.version === 'number' && found.version > newest)
    return fail({
      code: 'newer-version',
      message: `The file has version ${found.version}; this program reads up to ${newest}.`,
      place: { column: 'version' },
      remedy: 'Update Pebble Road, or save the file from there as an older version.',
    });
  const parsed = parseWhole(schema, json);
  if (parsed === null) return fail(tooDeep());
  if (parsed.success) return succeed(parsed.data);
  return fail(...parsed.error.issues.slice(0, 5).map((issue) => schemaProblem(issue)));
}

function notJson(error: unknown): Problem {
  return {
    code: 'not-json',
    message: `The file is not JSON (${oneLine(reasonOf(error)).slice(0, 120)}).`,
    place: {},
    remedy: 'Check that it is the right file and whole.',
  };
}

/** Lists within lists within lists… fill the stack of whoever walks down them: `null`. */
function parseWhole<T extends z.ZodType>(schema: T, json: unknown) {
  try {
    return schema.safeParse(json);
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

function tooDeep(): Problem {
  return {
    code: 'too-deep',
    message: 'The file is nested deeper than anything of ours.',
    place: {},
    remedy: 'Choose the file as it was saved, unchanged.',
  };
}
