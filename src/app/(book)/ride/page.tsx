import { redirect } from 'next/navigation';
import { shownPlace } from '@/book/read/readBook';
import { recentIn } from '@/book/read/readExperiments';
import { RideStation } from '@/stations/ride/RideStation';

export const metadata = { title: 'Ride · Pebble Road' };

export default async function RidePage() {
  const place = await shownPlace();
  if (!place) redirect('/start');
  const { here, view } = place;
  return <RideStation view={view} recent={await recentIn(here, view)} />;
}
