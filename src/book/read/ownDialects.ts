import 'server-only';
import { TITLES } from '@/catalog/titles';
import { database } from '@/data/book';
import { listTitles } from '@/data/ownTitles';
import type { DialectSource } from '../model/dialectSource';

/** The driver's own titles, whose numbers can be read beside those of the catalogue: the page knows these by itself. */
export async function ownDialects(): Promise<DialectSource[]> {
  const { all } = await listTitles(await database());
  return all
    .filter(({ id }) => TITLES.every((title) => title.id !== id))
    .map(({ id, name, dialects }) => ({ id, name, dialects }));
}
