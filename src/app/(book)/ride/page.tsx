import { redirect } from 'next/navigation';
import { bookView } from '@/book/read/readBook';
import { RideStation } from '@/stations/ride/RideStation';
import { rideTrace, roadMap } from '@/book/read/readRideTrace';

export const metadata = { title: 'Ride · Pebble Road' };

export default async function RidePage() {
  const view = await bookView();
  if (!view) redirect('/start');
  const last = view.rides.at(-1);
  const trace = last ? await rideTrace(last.id) : null;
  const roads = view.title.trackIds.map((id) => ({ id, ...roadMap(id) }));
  return <RideStation view={view} trace={trace} roads={roads} />;
}
