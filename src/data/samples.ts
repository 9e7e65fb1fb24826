import { deflateRawSync, inflateRawSync } from 'node:zlib';
import { packColumns, unpackColumns } from '@/core/formats/packedColumns';

const FAST = 2;

/** Columns of samples, bytes shuffled by significance and deflated: a third of the raw size, written once. */
export function storeColumns(columns: Record<string, Float64Array>): Uint8Array {
  const packed = packColumns({ head: null, columns });
  return new Uint8Array(deflateRawSync(shuffle(packed), { level: FAST }));
}

export function loadColumns(stored: Uint8Array): Record<string, Float64Array> {
  const unpacked = unpackColumns(unshuffle(new Uint8Array(inflateRawSync(stored))));
  if (!unpacked.ok) throw new Error('the book holds broken columns');
  return unpacked.value.columns;
}

const WIDTH = 8;

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
