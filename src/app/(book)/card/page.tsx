import { redirect } from 'next/navigation';
import { bookView } from '@/book/read/readBook';
import { CardStation } from '@/stations/card/CardStation';

export const metadata = { title: 'Card · Pebble Road' };

export default async function CardPage() {
  const view = await bookView();
  if (!view) redirect('/start');
  return <CardStation view={view} />;
}
