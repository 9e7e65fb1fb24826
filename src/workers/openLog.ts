import { fail, type Outcome } from '@/core/problem';
import type { LogPreview, LogWorker } from './log.worker';
import { startedWorker, type StartedWorker } from './startedWorker';

const LARGEST_MB = 256;

export interface OpenLog {
  log: StartedWorker<LogWorker>;
  preview: Outcome<LogPreview>;
}

/** Reads somebody's log in a worker, which keeps it until the driver has said what its columns are. */
export async function openLog(file: File): Promise<OpenLog> {
  const log = startedWorker<LogWorker>(
    new Worker(new URL('./log.worker.ts', import.meta.url), { type: 'module' }),
  );
  if (file.size > LARGEST_MB * 1024 * 1024)
    return {
      log,
      preview: fail({
        code: 'too-large',
        message: `${file.name} has ${Math.round(file.size / 1024 / 1024)} MB.`,
        place: {},
        remedy: `At most ${LARGEST_MB} MB are read; export fewer laps or channels.`,
      }),
    };
  const text = await file.text();
  return { log, preview: await log.ask((worker) => worker.read(text)) };
}
