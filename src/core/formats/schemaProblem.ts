import type { z } from 'zod';
import type { Problem } from '../problem';

/** What a schema found, with the place as a path of keys ("axes.brake[2]"). */
export function schemaProblem(issue: z.core.$ZodIssue): Problem {
  const path = issue.path.reduce<string>(
    (sum, part) =>
      typeof part === 'number' ? `${sum}[${part}]` : sum ? `${sum}.${String(part)}` : String(part),
    '',
  );
  if (issue.code === 'unrecognized_keys') {
    const key = issue.keys[0] ?? '';
    return {
      code: 'unknown-key',
      message: `The key "${issue.keys.join('", "')}" is not known here.`,
      place: { column: path ? `${path}.${key}` : key },
      remedy: 'Take it out, or check its spelling.',
    };
  }
  return {
    code: 'invalid-value',
    message: `${issue.message}.`,
    place: path ? { column: path } : {},
    remedy: 'Correct the value.',
  };
}
