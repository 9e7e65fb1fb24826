import { redirect } from 'next/navigation';
import { DRILL_NAMES } from '@/core/drills/measureDrill';
import { shownPlace } from '@/book/read/readBook';
import { readDrills } from '@/book/read/readDrills';
import { DrillsStation } from '@/stations/drills/DrillsStation';

export const metadata = { title: 'Drills · Pebble Road' };

export default async function DrillsPage({ searchParams }: { searchParams: Promise<{ of?: string }> }) {
  const place = await shownPlace();
  if (!place) redirect('/start');
  const { of } = await searchParams;
  const drills = await readDrills(place.here, place.view);
  const chosen = DRILL_NAMES.find((name) => name === of) ?? null;
  return <DrillsStation view={place.view} drills={drills} chosen={chosen} />;
}
