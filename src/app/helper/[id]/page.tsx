import { readHelper } from '@/book/read/readExperiments';
import { shownPlace } from '@/book/read/readBook';
import { HelperScreen } from '@/stations/helper/HelperScreen';

export const metadata = { title: 'Helper · Pebble Road' };

export default async function HelperPage({ params }: { params: Promise<{ id: string }> }) {
  const place = await shownPlace();
  const { id } = await params;
  return <HelperScreen helper={place && (await readHelper(place.here, place.view, id))} />;
}
