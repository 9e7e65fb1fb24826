import { redirect } from 'next/navigation';
import { AxesStation } from '@/stations/axes/AxesStation';
import { readPast } from '@/book/read/readAxis';
import { shownPlace } from '@/book/read/readBook';

export const metadata = { title: 'Axes · Pebble Road' };

export default async function AxisPage({
  params,
  searchParams,
}: {
  params: Promise<{ axis: string }>;
  searchParams: Promise<{ view?: string; begin?: string }>;
}) {
  const place = await shownPlace();
  if (!place) redirect('/start');
  const { here, view } = place;
  const { axis: name } = await params;
  const axis = view.axes.find((a) => a.axis === name);
  if (!axis) redirect('/axes');
  const { view: wanted, begin } = await searchParams;
  const past = wanted === 'history' ? await readPast(here, axis) : null;
  return <AxesStation view={view} axis={axis.axis} past={past} begins={begin === '1'} />;
}
