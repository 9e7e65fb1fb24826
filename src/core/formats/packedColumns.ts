import { fail, succeed, type Outcome } from '../problem';

/** Named columns of doubles and a JSON head in one block of bytes: what crosses the wire and goes into the book. */
export interface PackedColumns {
  head: unknown;
  columns: Record<string, Float64Array>;
}

const HEAD_LENGTH_BYTES = 4;
const DOUBLE_BYTES = 8;

/** Layout: uint32 head length, head as UTF-8 JSON `{ head, names, length }` padded to 8, then the columns. */
export function packColumns({ head, columns }: PackedColumns): Uint8Array {
  const names = Object.keys(columns);
  const length = columns[names[0] ?? '']?.length ?? 0;
  const json = new TextEncoder().encode(JSON.stringify({ head, names, length }));
  const start = dataStart(json.length);
  const bytes = new Uint8Array(start + names.length * length * DOUBLE_BYTES);
  new DataView(bytes.buffer).setUint32(0, json.length, true);
  bytes.set(json, HEAD_LENGTH_BYTES);
  names.forEach((name, i) => {
    new Float64Array(bytes.buffer, start + i * length * DOUBLE_BYTES, length).set(columns[name]!);
  });
  return bytes;
}

export function unpackColumns(packed: Uint8Array): Outcome<PackedColumns> {
  const bytes = packed.slice();
  const broken = (message: string) =>
    fail({ code: 'broken-columns', message, place: {}, remedy: 'Send the recording again.' });
  if (bytes.length < HEAD_LENGTH_BYTES) return broken('The block is shorter than its head.');
  const headLength = new DataView(bytes.buffer).getUint32(0, true);
  if (headLength > bytes.length - HEAD_LENGTH_BYTES) return broken('The head is longer than the block.');
  let json: { head: unknown; names: unknown; length: unknown };
  try {
    const text = new TextDecoder().decode(bytes.subarray(HEAD_LENGTH_BYTES, HEAD_LENGTH_BYTES + headLength));
    json = JSON.parse(text) as typeof json;
  } catch {
    return broken('The head is not JSON.');
  }
  const { names, length } = json;
  const isWhole = typeof length === 'number' && Number.isInteger(length) && length >= 0;
  if (!Array.isArray(names) || !names.every((n) => typeof n === 'string') || !isWhole)
    return broken('The head does not name its columns.');
  const start = dataStart(headLength);
  if (bytes.length !== start + names.length * length * DOUBLE_BYTES)
    return broken(`The block holds ${bytes.length} bytes; its head announces another size.`);
  const columns = Object.fromEntries(
    names.map((name, i) => [name, new Float64Array(bytes.buffer, start + i * length * DOUBLE_BYTES, length)]),
  );
  return succeed({ head: json.head, columns });
}

function dataStart(headLength: number): number {
  return Math.ceil((HEAD_LENGTH_BYTES + headLength) / DOUBLE_BYTES) * DOUBLE_BYTES;
}
