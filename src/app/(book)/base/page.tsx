import { redirect } from 'next/navigation';
import { bookView } from '@/book/read/readBook';
import { BaseStation } from '@/stations/base/BaseStation';

export const metadata = { title: 'Base · Pebble Road' };

export default async function BasePage() {
  const view = await bookView();
  if (!view) redirect('/start');
  return <BaseStation view={view} key={view.rig.id} />;
}
