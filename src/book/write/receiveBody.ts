import 'server-only';
import { createWriteStream } from 'node:fs';
import { once } from 'node:events';
import { transfer } from 'comlink';
import { takeCapture } from '@/core/axes/sentCapture';
import { fail, succeed, type Outcome, type Problem } from '@/core/problem';
import { takeRide } from '@/core/rides/sentRide';
import { askWorker } from '@/data/serverWorker';

/** An hour at 1 kHz with a dozen columns does not fit; ten minutes with five axes does. */
const LARGEST_UPLOAD_BYTES = 64 * 1024 * 1024;

/** Reads a request's body piece by piece, and not at all where it says that it is over the limit. */
async function* bodyOf(request: Request, largest: number): AsyncGenerator<Uint8Array, boolean> {
  if (Number(request.headers.get('content-length') ?? 0) > largest) return false;
  let size = 0;
  const reader = request.body?.getReader();
  for (;;) {
    const next = await reader?.read();
    if (!next || next.done) return true;
    size += next.value.length;
    if (size > largest) {
      // The rest is left where it is: the answer closes the connection.
      void reader?.cancel().catch(() => undefined);
      return false;
    }
    yield next.value;
  }
}

function tooLarge(what: string, largest: number): Problem {
  return {
    code: 'too-large',
    message: `The ${what} is larger than ${largest / 1024 / 1024} MB.`,
    place: {},
    remedy: 'Nothing was changed. Send a smaller one.',
  };
}

/** Reads a request's body into memory, and stops reading where it grows over the limit. */
async function receiveBytes(request: Request, largest: number, what: string): Promise<Outcome<Uint8Array>> {
  const chunks: Uint8Array[] = [];
  const body = bodyOf(request, largest);
  for (;;) {
    const next = await body.next();
    if (!next.done) chunks.push(next.value);
    else return next.value ? succeed(joined(chunks)) : fail(tooLarge(what, largest));
  }
}

function joined(chunks: readonly Uint8Array[]): Uint8Array {
  const whole = new Uint8Array(chunks.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const chunk of chunks) {
    whole.set(chunk, at);
    at += chunk.length;
  }
  return whole;
}

/** Writes a request's body to a file, a piece at a time. */
export async function receiveFile(
  request: Request,
  path: string,
  largest: number,
  what: string,
): Promise<Outcome<true>> {
  const out = createWriteStream(path);
  const failed = once(out, 'error').then(([error]) => Promise.reject(error as Error));
  failed.catch(() => undefined);
  const body = bodyOf(request, largest);
  try {
    for (;;) {
      const next = await body.next();
      if (next.done) return next.value ? succeed(true) : fail(tooLarge(what, largest));
      if (!out.write(next.value)) await Promise.race([once(out, 'drain'), failed]);
    }
  } finally {
    out.end();
    await Promise.race([once(out, 'close'), failed]).catch(() => undefined);
  }
}

const TAKE = { takeCapture, takeRide };

/** A recording of so many bytes is judged beside: somebody else would wait for it. */
const LONG_BYTES = 2 * 1024 * 1024;

/** Reads a recording that was sent as a block of columns, and judges it. */
export async function receiveRecording<K extends keyof typeof TAKE>(
  request: Request,
  take: K,
): Promise<ReturnType<(typeof TAKE)[K]>> {
  type Taken = ReturnType<(typeof TAKE)[K]>;
  const received = await receiveBytes(request, LARGEST_UPLOAD_BYTES, 'recording');
  if (!received.ok) return received as Taken;
  const packed = received.value;
  if (packed.length < LONG_BYTES) return TAKE[take](packed) as Taken;
  return askWorker<Taken>(
    (worker) => worker[take](transfer(packed, [packed.buffer])) as unknown as Promise<Taken>,
  );
}

/** Says what is wrong; where a body was not read to its end, the connection goes with it. */
export function refuse(problems: Problem[], status = 400): Response {
  const isCutOff = problems.some(({ code }) => code === 'too-large');
  return Response.json(
    { ok: false, problems },
    { status: isCutOff ? 413 : status, headers: isCutOff ? { connection: 'close' } : {} },
  );
}
