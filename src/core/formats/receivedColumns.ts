import type { z } from 'zod';
import { fail, succeed, type Outcome } from '../problem';
import { unpackColumns } from './packedColumns';
import { schemaProblem } from './schemaProblem';

/** As many faults of a head are told; the rest mostly follows from them. */
const TOLD = 3;

/**
 * Takes a block of columns apart that somebody sent: every value is a finite number, and its head is one.
 * @param packed as {@link packColumns} makes it
 */
export function receivedColumns<T>(
  packed: Uint8Array,
  headSchema: z.ZodType<T>,
): Outcome<{ head: T; columns: Record<string, Float64Array> }> {
  const unpacked = unpackColumns(packed);
  if (!unpacked.ok) return unpacked;
  const { columns } = unpacked.value;
  for (const [name, column] of Object.entries(columns)) {
    const at = column.findIndex((value) => !Number.isFinite(value));
    if (at >= 0)
      return fail({
        code: 'not-a-number',
        message: 'The recording holds a value that is not a finite number.',
        place: { column: name, row: at + 1 },
        remedy: 'Record it again.',
      });
  }
  const head = headSchema.safeParse(unpacked.value.head);
  if (!head.success) return { ok: false, problems: head.error.issues.slice(0, TOLD).map(schemaProblem) };
  return succeed({ head: head.data, columns });
}
