import { redirect } from 'next/navigation';
import { bookView } from '@/book/read/readBook';
import { combinationLines } from '@/book/read/readCombinations';
import { LockStation } from '@/stations/lock/LockStation';

export const metadata = { title: 'Lock · Pebble Road' };

export default async function LockPage() {
  const view = await bookView();
  if (!view) redirect('/start');
  const lines = await combinationLines();
  return <LockStation view={view} own={lines.filter((line) => line.driver === view.names.driver)} />;
}
