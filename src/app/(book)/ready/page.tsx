import { redirect } from 'next/navigation';
import { bookView } from '@/book/read/readBook';
import { ReadyStation } from '@/stations/ready/ReadyStation';

export const metadata = { title: 'Ready · Pebble Road' };

export default async function ReadyPage() {
  const view = await bookView();
  if (!view) redirect('/start');
  return <ReadyStation view={view} />;
}
