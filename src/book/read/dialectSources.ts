import 'server-only';
import { database } from '@/data/book';
import { listTitles } from '@/data/ownTitles';
import type { DialectSource } from '../model/dialectSource';

/** Every title whose numbers can be read: the catalogue's and the driver's own. */
export async function dialectSources(): Promise<DialectSource[]> {
  const { all } = await listTitles(await database());
  return all.map(({ id, name, dialects }) => ({ id, name, dialects }));
}
