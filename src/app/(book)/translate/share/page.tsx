import { redirect } from 'next/navigation';
import { bookView } from '@/book/read/readBook';
import { readThings } from '@/book/read/readThings';
import { ShareStation } from '@/stations/share/ShareStation';

export const metadata = { title: 'Share · Pebble Road' };

export default async function SharePage() {
  const view = await bookView();
  if (!view) redirect('/start');
  return <ShareStation view={view} own={await readThings(view.rig.spec.base.program)} />;
}
