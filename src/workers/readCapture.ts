import { fail, type Outcome } from '@/core/problem';
import type { ReadCapture } from './capture.worker';
import { startWorker } from './startWorker';

const LARGEST_MB = 256;

/** Reads and analyses a capture file in a worker of its own. */
export async function readCapture(file: File): Promise<Outcome<ReadCapture>> {
  if (file.size > LARGEST_MB * 1024 * 1024)
    return fail({
      code: 'too-large',
      message: `${file.name} has ${Math.round(file.size / 1024 / 1024)} MB.`,
      place: {},
      remedy: `At most ${LARGEST_MB} MB are read; record a shorter stretch.`,
    });
  const text = await file.text();
  const reader = startWorker.capture();
  try {
    return await reader.ask((worker) => worker.read(text));
  } finally {
    reader.end();
  }
}
