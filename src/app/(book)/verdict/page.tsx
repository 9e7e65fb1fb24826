import { redirect } from 'next/navigation';
import { bookView } from '@/book/read/readBook';
import { markedPair } from '@/book/read/readPair';
import { VerdictStation } from '@/stations/verdict/VerdictStation';

export const metadata = { title: 'Verdict · Pebble Road' };

export default async function VerdictPage() {
  const view = await bookView();
  if (!view) redirect('/start');
  return <VerdictStation view={view} pair={await markedPair(view)} />;
}
