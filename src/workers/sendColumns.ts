import { transfer, wrap } from 'comlink';
import type { PackedColumns } from '@/core/formats/packedColumns';
import { postColumns, type SentAnswer } from './postColumns';
import type { SendWorker } from './send.worker';

export interface ColumnSender {
  /** Posts columns; they are handed over and empty afterwards. */
  send(packed: PackedColumns): Promise<SentAnswer>;
  /** From now on posts from the page itself: a worker may not live to see the page left. */
  leave(): void;
  /** Ends the sender; what is still under way is lost, so await it first. */
  close(): void;
}

/** Posts packed columns to one address from a worker of its own. */
export function columnSender(path: string): ColumnSender {
  const worker = new Worker(new URL('./send.worker.ts', import.meta.url), { type: 'module' });
  const { post } = wrap<SendWorker>(worker);
  // A worker made from a blob has no address of its own to start from.
  const url = new URL(path, location.href).href;
  let isHere = false;
  return {
    send(packed) {
      const buffers = Object.values(packed.columns).map((column) => column.buffer);
      return isHere ? postColumns(url, packed) : post(url, transfer(packed, buffers));
    },
    leave() {
      isHere = true;
    },
    close: () => worker.terminate(),
  };
}

/** Posts packed columns once; the caller keeps them. */
export async function sendColumns(path: string, { head, columns }: PackedColumns): Promise<SentAnswer> {
  const sender = columnSender(path);
  try {
    const copies = Object.entries(columns).map(([name, column]) => [name, column.slice()] as const);
    return await sender.send({ head, columns: Object.fromEntries(copies) });
  } finally {
    sender.close();
  }
}
