import { redirect } from 'next/navigation';
import { shownPlace } from '@/book/read/readBook';
import { readTravel } from '@/book/read/readTravel';
import { ShapeStation } from '@/stations/shape/ShapeStation';

export const metadata = { title: 'Shape · Pebble Road' };

/** The brake's curve: the one that matters most. A rig without a brake begins with its first axis. */
export default async function ShapePage() {
  const place = await shownPlace();
  if (!place) redirect('/start');
  const { here, view } = place;
  const axis = view.axes.find((a) => a.axis === 'brake') ?? view.axes.find((a) => a.dialect)!;
  return <ShapeStation view={view} axis={axis} travel={await readTravel(here, view, axis)} key={axis.axis} />;
}
