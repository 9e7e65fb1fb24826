import { promisify } from 'node:util';
import { deflateRaw, inflateRawSync } from 'node:zlib';
import { packColumns, unpackColumns } from '@/core/formats/packedColumns';
import { yieldToEventLoop } from './yieldToEventLoop';

const FAST = 2;
const WIDTH = 8;
/** A part of this size is written and read in some ten milliseconds: nobody else waits for long. */
const PART_BYTES = 256 * 1024;

export type Columns = Record<string, Float64Array>;

export interface StoredPart {
  fromRow: number;
  rows: number;
  samples: Uint8Array;
}

const deflate = promisify(deflateRaw);

/** Columns of samples in parts, bytes shuffled by significance and deflated: a third of the raw size, written once. */
export async function storeColumns(columns: Columns): Promise<StoredPart[]> {
  const names = Object.keys(columns);
  const length = columns[names[0] ?? '']?.length ?? 0;
  const step = Math.max(1, Math.floor(PART_BYTES / WIDTH / Math.max(1, names.length)));
  const parts: StoredPart[] = [];
  for (let fromRow = 0; fromRow < length; fromRow += step) {
    const rows = Math.min(step, length - fromRow);
    const some = Object.fromEntries(
      names.map((name) => [name, columns[name]!.slice(fromRow, fromRow + rows)]),
    );
    const packed = shuffle(packColumns({ head: null, columns: some }));
    parts.push({ fromRow, rows, samples: new Uint8Array(await deflate(packed, { level: FAST })) });
  }
  return parts;
}

/** So many parts are read at once. */
const PARTS_AT_ONCE = 3;

/** Reads all parts of a recording, a few at a time. */
export async function inTurns<T>(read: (limit: number, offset: number) => Promise<T[]>): Promise<T[]> {
  const all: T[] = [];
  for (;;) {
    const some = await read(PARTS_AT_ONCE, all.length);
    all.push(...some);
    if (some.length < PARTS_AT_ONCE) return all;
    await yieldToEventLoop();
  }
}

/** One part as it was stored. */
export function loadPart(stored: Uint8Array): Columns {
  const unpacked = unpackColumns(unshuffle(new Uint8Array(inflateRawSync(stored))));
  if (!unpacked.ok) throw new Error('the book holds broken columns');
  return unpacked.value.columns;
}

/** All parts, one after the other; empty where there are none. */
export function loadColumns(stored: readonly Uint8Array[]): Columns {
  const parts = stored.map(loadPart);
  const [first] = parts;
  if (!first || parts.length === 1) return first ?? {};
  const length = parts.reduce((sum, part) => sum + Object.values(part)[0]!.length, 0);
  return Object.fromEntries(
    Object.keys(first).map((name) => {
      const out = new Float64Array(length);
      let at = 0;
      for (const part of parts) {
        out.set(part[name]!, at);
        at += part[name]!.length;
      }
      return [name, out];
    }),
  );
}

/** Puts equal bytes of the doubles side by side, where they compress. Length is a multiple of 8. */
function shuffle(bytes: Uint8Array): Uint8Array {
  const rows = bytes.length / WIDTH;
  const out = new Uint8Array(bytes.length);
  for (let k = 0; k < WIDTH; k++) for (let i = 0; i < rows; i++) out[k * rows + i] = bytes[i * WIDTH + k]!;
  return out;
}

function unshuffle(bytes: Uint8Array): Uint8Array {
  const rows = bytes.length / WIDTH;
  const out = new Uint8Array(bytes.length);
  for (let k = 0; k < WIDTH; k++) for (let i = 0; i < rows; i++) out[i * WIDTH + k] = bytes[k * rows + i]!;
  return out;
}
