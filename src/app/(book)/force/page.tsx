import { redirect } from 'next/navigation';
import { shownPlace } from '@/book/read/readBook';
import { carSides } from '@/book/read/readCombinations';
import { ForceStation } from '@/stations/force/ForceStation';
import { panelOf } from '@/words/forcePanels';

export const metadata = { title: 'Force · Pebble Road' };

export default async function ForcePage({
  searchParams,
}: {
  searchParams: Promise<{ part?: string; like?: string }>;
}) {
  const place = await shownPlace();
  if (!place) redirect('/start');
  const { here, view } = place;
  const { part, like } = await searchParams;
  return (
    <ForceStation view={view} sides={await carSides(here, view)} part={panelOf(part)} like={like ?? null} />
  );
}
