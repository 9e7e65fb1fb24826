import { redirect } from 'next/navigation';
import { bookView } from '@/book/read/readBook';
import { LaunchStation } from '@/stations/launch/LaunchStation';

export const metadata = { title: 'Launch · Pebble Road' };

export default async function LaunchPage() {
  const view = await bookView();
  if (!view) redirect('/start');
  return <LaunchStation view={view} />;
}
