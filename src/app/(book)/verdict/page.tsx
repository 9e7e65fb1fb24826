import { redirect } from 'next/navigation';
import { shownPlace } from '@/book/read/readBook';
import { markedPair } from '@/book/read/readPair';
import { VerdictStation } from '@/stations/verdict/VerdictStation';

export const metadata = { title: 'Verdict · Pebble Road' };

export default async function VerdictPage() {
  const place = await shownPlace();
  if (!place) redirect('/start');
  const { here, view } = place;
  return <VerdictStation view={view} pair={await markedPair(here, view)} />;
}
