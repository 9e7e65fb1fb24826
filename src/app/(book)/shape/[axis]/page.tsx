import { redirect } from 'next/navigation';
import { bookView } from '@/book/read/readBook';
import { ShapeStation } from '@/stations/shape/ShapeStation';

export const metadata = { title: 'Shape · Pebble Road' };

export default async function ShapeAxisPage({ params }: { params: Promise<{ axis: string }> }) {
  const view = await bookView();
  if (!view) redirect('/start');
  const { axis: name } = await params;
  const axis = view.axes.find((a) => a.axis === name && a.dialect);
  if (!axis) redirect('/shape');
  return <ShapeStation view={view} axis={axis} key={axis.axis} />;
}
