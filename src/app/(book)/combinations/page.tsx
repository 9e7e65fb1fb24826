import { redirect } from 'next/navigation';
import { bookView } from '@/book/read/readBook';
import { combinationLines } from '@/book/read/readCombinations';
import { otherCombination } from '@/book/read/readOtherCombination';
import { CombinationsStation } from '@/stations/combinations/CombinationsStation';

export const metadata = { title: 'Combinations · Pebble Road' };

export default async function CombinationsPage({
  searchParams,
}: {
  searchParams: Promise<{ with?: string }>;
}) {
  const view = await bookView();
  if (!view) redirect('/start');
  const { with: wanted } = await searchParams;
  const other = wanted ? await otherCombination(view, wanted) : null;
  return <CombinationsStation view={view} lines={await combinationLines()} other={other} />;
}
