import { z } from 'zod';
import { isPairPlan, type ExperimentPlan } from '@/core/experiment/questions';
import { MOST_SLOT_BYTES, slotsOf } from '@/core/experiment/slots';
import { fail, succeed, type Outcome } from '@/core/problem';
import type { SealedFiles } from '@/data/experiments';
import { NO_FILES } from './experimentProblems';

const fileSchema = z.strictObject({
  name: z.string().min(1).max(200),
  base64: z.base64().max(Math.ceil(MOST_SLOT_BYTES / 3) * 4 + 4),
});
/** The files of A and B that a driver who is alone loads; `null` for every other way. */
export const filesSchema = z.strictObject({ a: fileSchema, b: fileSchema }).nullable();

/** The files of both sides as they are sealed with the orders: of one ending and one size. */
export function sealedFiles(
  plan: ExperimentPlan,
  files: z.output<typeof filesSchema>,
): Outcome<SealedFiles | null> {
  if (!isPairPlan(plan) || plan.way !== 'files') return succeed(null);
  if (!files) return fail(NO_FILES);
  const read = ({ name, base64 }: z.output<typeof fileSchema>) => ({
    name,
    bytes: new Uint8Array(Buffer.from(base64, 'base64')),
  });
  const slots = slotsOf(read(files.a), read(files.b));
  if (!slots.ok) return slots;
  const { ending, a, b } = slots.value;
  const written = (bytes: Uint8Array) => Buffer.from(bytes).toString('base64');
  return succeed({ ending, a: written(a), b: written(b) });
}
