import { redirect } from 'next/navigation';
import { carTable } from '@/book/judge/carTable';
import { carSides } from '@/book/read/readCombinations';
import { shownPlace } from '@/book/read/readBook';
import { CardStation } from '@/stations/card/CardStation';

export const metadata = { title: 'Card · Pebble Road' };

export default async function CardPage() {
  const place = await shownPlace();
  if (!place) redirect('/start');
  const { here, view } = place;
  return <CardStation view={view} cars={carTable(view, await carSides(here, view))} />;
}
