import { redirect } from 'next/navigation';
import { shownPlace } from '@/book/read/readBook';
import { readTravel } from '@/book/read/readTravel';
import { ShapeStation } from '@/stations/shape/ShapeStation';

export const metadata = { title: 'Shape · Pebble Road' };

export default async function ShapeAxisPage({ params }: { params: Promise<{ axis: string }> }) {
  const place = await shownPlace();
  if (!place) redirect('/start');
  const { here, view } = place;
  const { axis: name } = await params;
  const axis = view.axes.find((a) => a.axis === name && a.dialect);
  if (!axis) redirect('/shape');
  return <ShapeStation view={view} axis={axis} travel={await readTravel(here, view, axis)} key={axis.axis} />;
}
