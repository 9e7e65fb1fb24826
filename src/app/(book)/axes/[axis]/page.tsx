import { redirect } from 'next/navigation';
import { AxesStation } from '@/stations/axes/AxesStation';
import { bookView } from '@/book/read/readBook';

export const metadata = { title: 'Axes · Pebble Road' };

export default async function AxisPage({
  params,
  searchParams,
}: {
  params: Promise<{ axis: string }>;
  searchParams: Promise<{ view?: string }>;
}) {
  const view = await bookView();
  if (!view) redirect('/start');
  const { axis: name } = await params;
  const axis = view.axes.find((a) => a.axis === name);
  if (!axis) redirect('/axes');
  const shows = (await searchParams).view === 'history' ? 'history' : 'capture';
  return <AxesStation view={view} axis={axis.axis} shows={shows} />;
}
