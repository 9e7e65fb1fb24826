import { packColumns, type PackedColumns } from '@/core/formats/packedColumns';

/** What the server said: its status and its JSON. */
export interface SentAnswer {
  status: number;
  reply: unknown;
}

/** Packs and posts columns from wherever it is called. */
export async function postColumns(url: string, packed: PackedColumns): Promise<SentAnswer> {
  const body = packColumns(packed) as Uint8Array<ArrayBuffer>;
  const answer = await fetch(url, { method: 'POST', body });
  return { status: answer.status, reply: await answer.json() };
}
