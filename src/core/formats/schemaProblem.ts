import type { z } from 'zod';
import type { Problem } from '../problem';
import { oneLine, quoted } from '../text/line';

/** What a schema found, with the place as a path of keys ("axes.brake[2]"), in our own words. */
export function schemaProblem(issue: z.core.$ZodIssue): Problem {
  const path = pathText(issue.path);
  if (issue.code === 'unrecognized_keys') {
    const key = issue.keys[0] ?? '';
    const names = issue.keys.slice(0, 3).map(quoted).join(', ');
    return {
      code: 'unknown-key',
      message: `The key ${names} is not known here.`,
      place: { column: path ? `${path}.${oneLine(key).slice(0, 60)}` : oneLine(key).slice(0, 60) },
      remedy: 'Take it out, or check its spelling.',
    };
  }
  const isMissing = issue.code === 'invalid_type' && / received undefined$/.test(issue.message);
  const last = issue.path.at(-1);
  if (isMissing && last !== undefined)
    return {
      code: 'missing-key',
      message: `\`${oneLine(String(last)).slice(0, 60)}\` is missing.`,
      place: { column: path },
      remedy: 'Write it.',
    };
  return {
    code: 'invalid-value',
    message: `${capital(inWords(issue))}.`,
    place: path ? { column: path } : {},
    remedy: 'Correct the value.',
  };
}

function pathText(path: readonly PropertyKey[]): string {
  return path.reduce<string>((sum, part) => {
    if (typeof part === 'number') return `${sum}[${part}]`;
    const name = oneLine(String(part)).slice(0, 60);
    return sum ? `${sum}.${name}` : name;
  }, '');
}

const KINDS: Record<string, string> = {
  number: 'a number',
  int: 'a whole number',
  string: 'text',
  boolean: 'true or false',
  array: 'a list',
  object: 'an object',
  record: 'an object',
  tuple: 'a list',
  null: 'null',
};
/** Zod's own sentences begin like this; ours are written at the schema and stand as they are. */
const NOT_OURS = /^(Invalid|Too|Unrecognized|Expected)\b/;

function inWords(issue: z.core.$ZodIssue): string {
  return NOT_OURS.test(issue.message) ? ofKind(issue) : issue.message;
}

/** The same for a form, beside the field; what a schema says itself stands as it is. */
export const fieldWords = (issue: z.core.$ZodRawIssue): string => {
  const kind =
    issue.code === 'invalid_type' && issue.input === null
      ? 'it is needed'
      : ofKind(issue as z.core.$ZodIssue);
  return `${capital(kind)}.`;
};

function ofKind(issue: z.core.$ZodIssue): string {
  switch (issue.code) {
    case 'invalid_type':
      return `it must be ${KINDS[issue.expected] ?? issue.expected}`;
    case 'invalid_value':
      return `it must be ${issue.values.length > 1 ? 'one of ' : ''}${issue.values.map((v) => String(v)).join(', ')}`;
    case 'too_small':
      return `it must be ${issue.inclusive === false ? 'above' : 'at least'} ${String(issue.minimum)}${counted(issue.origin)}`;
    case 'too_big':
      return `it must be ${issue.inclusive === false ? 'below' : 'at most'} ${String(issue.maximum)}${counted(issue.origin)}`;
    case 'invalid_key':
      return 'a key of it is none that is known here';
    case 'invalid_union':
      return 'it is none of the kinds that are known here';
    case 'invalid_format':
      return `it is not written as ${issue.format} is`;
    default:
      return issue.message;
  }
}

/** What is counted, where the bound is one of length. */
function counted(origin: string): string {
  return origin === 'string' ? ' letters long' : origin === 'array' ? ' entries long' : '';
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
