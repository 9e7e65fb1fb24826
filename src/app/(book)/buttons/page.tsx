import { redirect } from 'next/navigation';
import { bookView } from '@/book/read/readBook';
import { ButtonsStation } from '@/stations/buttons/ButtonsStation';

export const metadata = { title: 'Buttons · Pebble Road' };

export default async function ButtonsPage() {
  const view = await bookView();
  if (!view) redirect('/start');
  return <ButtonsStation view={view} key={`${view.rig.id}/${view.title.id}`} />;
}
