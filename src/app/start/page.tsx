import { database } from '@/data/book';
import { listTitles } from '@/data/ownTitles';
import { listRigs } from '@/data/rigs';
import { StartStation } from '@/stations/start/StartStation';

export const metadata = { title: 'Which rig? · Pebble Road' };

const named = ({ id, name }: { id: string; name: string }) => ({ id, name });

export default async function StartPage() {
  const db = await database();
  const [rigs, titles] = await Promise.all([listRigs(db), listTitles(db)]);
  return <StartStation rigs={rigs.map(named)} titles={titles.all.map(named)} cars={titles.cars.map(named)} />;
}
