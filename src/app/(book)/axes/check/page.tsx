import { redirect } from 'next/navigation';
import { CheckStation } from '@/stations/axes/CheckStation';
import { bookView } from '@/book/read/readBook';

export const metadata = { title: 'Prove it · Pebble Road' };

export default async function CheckPage() {
  const view = await bookView();
  if (!view) redirect('/start');
  return <CheckStation view={view} />;
}
