import { transfer } from 'comlink';
import type { PackedColumns } from '@/core/formats/packedColumns';
import { postColumns, type SentAnswer } from './postColumns';
import { WorkerFailed } from './startedWorker';
import { startWorker } from './startWorker';

export interface ColumnSender {
  /** Posts columns; they are handed over and empty afterwards, also where it rejects. */
  send(packed: PackedColumns): Promise<SentAnswer>;
  /** From now on posts from the page itself: a worker may not live to see the page left. */
  leave(): void;
  /** Ends the sender; what is still under way is lost, so await it first. */
  close(): void;
}

/** Posts packed columns to one address from a worker of its own. */
export function columnSender(path: string): ColumnSender {
  const sender = startWorker.send();
  // A worker made from a blob has no address of its own to start from.
  const url = new URL(path, location.href).href;
  let isHere = false;
  return {
    async send(packed) {
      if (isHere) return postColumns(url, packed);
      const buffers = Object.values(packed.columns).map((column) => column.buffer);
      try {
        return await sender.ask((worker) => worker.post(url, transfer(packed, buffers)));
      } catch (error) {
        isHere ||= error instanceof WorkerFailed;
        throw error;
      }
    },
    leave() {
      isHere = true;
    },
    close: () => sender.end(),
  };
}

/** Posts packed columns once; the caller keeps them. */
export async function sendColumns(path: string, { head, columns }: PackedColumns): Promise<SentAnswer> {
  const sender = columnSender(path);
  const copy = () =>
    Object.fromEntries(Object.entries(columns).map(([name, column]) => [name, column.slice()] as const));
  try {
    return await sender.send({ head, columns: copy() }).catch((error: unknown) => {
      if (!(error instanceof WorkerFailed)) throw error;
      return sender.send({ head, columns: copy() });
    });
  } finally {
    sender.close();
  }
}
