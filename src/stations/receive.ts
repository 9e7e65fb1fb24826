import 'server-only';
import { unpackColumns, type PackedColumns } from '@/core/formats/packedColumns';
import { fail, succeed, type Outcome, type Problem } from '@/core/problem';

/** An hour at 1 kHz with a dozen columns does not fit; ten minutes with five axes does. */
export const LARGEST_UPLOAD_BYTES = 64 * 1024 * 1024;

/** Reads a request's body, and stops reading where it grows over the limit. */
export async function receiveBytes(
  request: Request,
  largest: number,
  what: string,
): Promise<Outcome<Uint8Array>> {
  const chunks: Uint8Array[] = [];
  let size = 0;
  const reader = request.body?.getReader();
  for (;;) {
    const next = await reader?.read();
    if (!next || next.done) break;
    size += next.value.length;
    if (size > largest) {
      await reader?.cancel();
      return fail({
        code: 'too-large',
        message: `The ${what} is larger than ${largest / 1024 / 1024} MB.`,
        place: {},
        remedy: 'Nothing was changed. Send a smaller one.',
      });
    }
    chunks.push(next.value);
  }
  const bytes = new Uint8Array(size);
  let at = 0;
  for (const chunk of chunks) {
    bytes.set(chunk, at);
    at += chunk.length;
  }
  return succeed(bytes);
}

/** Reads a request's block of columns. */
export async function receiveColumns(request: Request): Promise<Outcome<PackedColumns>> {
  const received = await receiveBytes(request, LARGEST_UPLOAD_BYTES, 'recording');
  if (!received.ok) return received;
  const unpacked = unpackColumns(received.value);
  if (!unpacked.ok) return unpacked;
  const faulty = Object.entries(unpacked.value.columns).find(([, column]) => !column.every(Number.isFinite));
  if (!faulty) return unpacked;
  return fail({
    code: 'not-a-number',
    message: 'The recording holds a value that is not a finite number.',
    place: { column: faulty[0], row: faulty[1].findIndex((v) => !Number.isFinite(v)) + 1 },
    remedy: 'Record it again.',
  });
}

export function refuse(problems: Problem[], status = 400): Response {
  return Response.json({ ok: false, problems }, { status });
}
