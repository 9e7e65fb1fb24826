import { redirect } from 'next/navigation';
import { bookView } from '@/book/read/readBook';
import { ShapeStation } from '@/stations/shape/ShapeStation';

export const metadata = { title: 'Shape · Pebble Road' };

/** The brake's curve: the one that matters most. A rig without a brake begins with its first axis. */
export default async function ShapePage() {
  const view = await bookView();
  if (!view) redirect('/start');
  const axis = view.axes.find((a) => a.axis === 'brake') ?? view.axes.find((a) => a.dialect)!;
  return <ShapeStation view={view} axis={axis} key={axis.axis} />;
}
