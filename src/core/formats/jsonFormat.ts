import { z } from 'zod';
import { fail, reasonOf, succeed, type Outcome, type Problem } from '../problem';
import { oneLine, quoted } from '../text/line';
import { duplicateJsonKey } from './duplicateJsonKey';
import { schemaProblem } from './schemaProblem';

/** Text of a file to what stands in it, and back. */
export interface JsonFormat<S extends z.ZodType> {
  readonly format: string;
  /** The version that is written; every one before it is read. */
  readonly version: number;
  read(text: string): Outcome<z.output<S>>;
  write(document: z.input<S>): string;
}

/** What a version before held, as the next one would hold it; what it does not know is handed on as it stands. */
type Upgrade = (body: Record<string, unknown>) => Record<string, unknown>;

interface FormatParts<S extends z.ZodType> {
  /** `pebble-road/` stands before it in the file. */
  name: string;
  /** All that stands in the file beside its `format` and `version`. */
  schema: S;
  /** Refuses what no schema sees: parts that contradict each other. */
  sound?: (document: z.output<S>) => Outcome<z.output<S>>;
  /** From version 1 to 2, from 2 to 3 and so on: there is one version more than there are steps. */
  upgrades?: readonly Upgrade[];
}

/**
 * A JSON file of ours: right `format`, a `version` up to the newest, no key twice and none that is not known. An older
 * version is read as the newest.
 */
export function jsonFormat<S extends z.ZodType>({
  name,
  schema,
  sound = succeed,
  upgrades = [],
}: FormatParts<S>): JsonFormat<S> {
  const format = `pebble-road/${name}`;
  const version = upgrades.length + 1;
  return {
    format,
    version,
    read(text) {
      const found = readHead(text, format, version);
      if (!found.ok) return found;
      const newest = upgrades
        .slice(found.value.version - 1)
        .reduce((body, upgrade) => upgrade(body), found.value.body);
      const parsed = parseWhole(schema, newest);
      if (parsed === null) return fail(tooDeep());
      if (parsed.success) return sound(parsed.data);
      return fail(...parsed.error.issues.slice(0, 5).map((issue) => schemaProblem(issue)));
    },
    write: (document) =>
      `${JSON.stringify({ format, version, ...(document as Record<string, unknown>) }, null, 2)}\n`,
  };
}

/** What a file is, and all that stands in it beside. */
function readHead(
  text: string,
  format: string,
  newest: number,
): Outcome<{ version: number; body: Record<string, unknown> }> {
  const plain = text.startsWith('\uFEFF') ? text.slice(1) : text;
  let json: unknown;
  try {
    json = JSON.parse(plain);
  } catch (error) {
    return fail(notJson(error));
  }
  const twice = duplicateJsonKey(plain);
  if (twice)
    return fail({
      code: 'key-twice',
      message: `The key ${quoted(twice.key)} stands twice in one object.`,
      place: { row: twice.row },
      remedy: 'Keep one of them.',
    });
  const isObject = typeof json === 'object' && json !== null && !Array.isArray(json);
  const { format: said, version, ...body } = isObject ? (json as Record<string, unknown>) : {};
  if (said !== format) {
    const isSaid = typeof said === 'string';
    return fail({
      code: 'wrong-format',
      message: isSaid ? `This is ${quoted(said)}.` : 'It does not say what it is.',
      place: isSaid ? { column: 'format' } : {},
      remedy: `"format" must be "${format}".`,
    });
  }
  if (typeof version === 'number' && version > newest)
    return fail({
      code: 'newer-version',
      message: `The file has version ${version}; this program reads up to ${newest}.`,
      place: { column: 'version' },
      remedy: 'Update Pebble Road, or save the file from there as an older version.',
    });
  if (!Number.isInteger(version) || (version as number) < 1)
    return fail({
      code: version === undefined ? 'missing-key' : 'invalid-value',
      message: version === undefined ? '`version` is missing.' : 'There is no such version.',
      place: { column: 'version' },
      remedy: `Versions go from 1 to ${newest}.`,
    });
  return succeed({ version: version as number, body });
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
