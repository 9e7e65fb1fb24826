import { redirect } from 'next/navigation';
import { bookView } from '@/book/read/readBook';
import { RideStation } from '@/stations/ride/RideStation';

export const metadata = { title: 'Ride · Pebble Road' };

export default async function RidePage() {
  const view = await bookView();
  if (!view) redirect('/start');
  return <RideStation view={view} />;
}
