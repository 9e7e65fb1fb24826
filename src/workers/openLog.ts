import { wrap, type Remote } from 'comlink';
import { fail, type Outcome } from '@/core/problem';
import type { LogPreview, LogWorker } from './log.worker';

const LARGEST_MB = 256;

export interface OpenLog {
  log: Remote<LogWorker>;
  preview: Outcome<LogPreview>;
  end(): void;
}

/** Reads somebody's log in a worker, which keeps it until the driver has said what its columns are. */
export async function openLog(file: File): Promise<OpenLog> {
  const worker = new Worker(new URL('./log.worker.ts', import.meta.url), { type: 'module' });
  const log = wrap<LogWorker>(worker);
  const end = () => worker.terminate();
  if (file.size > LARGEST_MB * 1024 * 1024)
    return {
      log,
      end,
      preview: fail({
        code: 'too-large',
        message: `${file.name} has ${Math.round(file.size / 1024 / 1024)} MB.`,
        place: {},
        remedy: `At most ${LARGEST_MB} MB are read; export fewer laps or channels.`,
      }),
    };
  return { log, end, preview: await log.read(await file.text()) };
}
