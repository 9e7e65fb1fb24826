import { database } from '@/data/book';
import { listRigs } from '@/data/rigs';
import { StartStation } from '@/stations/start/StartStation';

export const metadata = { title: 'Which rig? · Pebble Road' };

export default async function StartPage() {
  const rigs = await listRigs(await database());
  return <StartStation rigs={rigs.map(({ id, name }) => ({ id, name }))} />;
}
