import { database } from '@/data/book';
import { listRigs } from '@/data/rigs';
import { shownPlace } from '@/book/read/readBook';
import { verdictView } from '@/book/read/readExperiments';
import { SeatFlow } from '@/stations/seat/SeatFlow';
import { wishOf } from '@/stations/seat/tasks';
import { SeatSetup } from '@/stations/seat/SeatSetup';

export const metadata = { title: 'From the seat · Pebble Road' };

/** Seat posture: full screen, outside the frame. An empty book begins with finding the rig. */
export default async function SeatPage({ searchParams }: { searchParams: Promise<{ do?: string }> }) {
  const place = await shownPlace();
  if (!place) {
    const rigs = await listRigs(await database());
    return <SeatSetup names={rigs.map((rig) => rig.name)} />;
  }
  const { here, view } = place;
  const wish = wishOf((await searchParams).do);
  const verdict = wish === 'verdict' ? await verdictView(here, view) : null;
  return <SeatFlow view={view} verdict={verdict} wish={wish} key={view.rig.id} />;
}
