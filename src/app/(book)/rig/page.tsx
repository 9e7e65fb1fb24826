import { redirect } from 'next/navigation';
import { bookView } from '@/book/read/readBook';
import { RigStation } from '@/stations/rig/RigStation';

export const metadata = { title: 'Rig · Pebble Road' };

export default async function RigPage() {
  const view = await bookView();
  if (!view) redirect('/start');
  return <RigStation view={view} key={view.rig.id} />;
}
