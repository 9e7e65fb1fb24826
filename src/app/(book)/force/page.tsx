import { redirect } from 'next/navigation';
import { bookView } from '@/book/read/readBook';
import { carSides } from '@/book/read/readCombinations';
import { ForceStation } from '@/stations/force/ForceStation';
import { panelOf } from '@/words/forcePanels';
import { roadMap } from '@/book/read/readRideTrace';

export const metadata = { title: 'Force · Pebble Road' };

export default async function ForcePage({
  searchParams,
}: {
  searchParams: Promise<{ part?: string; like?: string }>;
}) {
  const view = await bookView();
  if (!view) redirect('/start');
  const { rigId, titleId, carId, driver } = view.combination;
  const { part, like } = await searchParams;
  return (
    <ForceStation
      view={view}
      sides={await carSides(view)}
      road={roadMap(view.trackId)}
      part={panelOf(part)}
      like={like ?? null}
      key={`${rigId}/${titleId}/${carId}/${driver}`}
    />
  );
}
