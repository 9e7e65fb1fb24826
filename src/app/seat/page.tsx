import { database } from '@/data/book';
import { listRigs } from '@/data/rigs';
import { bookView } from '@/book/read/readBook';
import { SeatFlow } from '@/stations/seat/SeatFlow';
import { wishOf } from '@/stations/seat/tasks';
import { SeatSetup } from '@/stations/seat/SeatSetup';

export const metadata = { title: 'From the seat · Pebble Road' };

/** Seat posture: full screen, outside the frame. An empty book begins with finding the rig. */
export default async function SeatPage({ searchParams }: { searchParams: Promise<{ do?: string }> }) {
  const view = await bookView();
  if (!view) {
    const rigs = await listRigs(await database());
    return <SeatSetup names={rigs.map((rig) => rig.name)} />;
  }
  const wish = wishOf((await searchParams).do);
  return <SeatFlow view={view} wish={wish} key={view.rig.id} />;
}
