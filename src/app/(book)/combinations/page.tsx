import { redirect } from 'next/navigation';
import { bookView } from '@/stations/bookView';
import { combinationLines } from '@/stations/combinationView';
import { otherCombination } from '@/stations/combinations/otherCombination';
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
