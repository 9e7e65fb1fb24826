import { redirect } from 'next/navigation';
import { shownPlace } from '@/book/read/readBook';
import { forceLogs } from '@/book/read/readRides';
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
  const [sides, logs] = await Promise.all([carSides(here, view), forceLogs(here, view.title.carIds)]);
  return <ForceStation view={view} sides={sides} logs={logs} part={panelOf(part)} like={like ?? null} />;
}
