import { redirect } from 'next/navigation';
import { bookView } from '@/book/read/readBook';

/** Opens the first station that needs a look, else the first that is not settled. */
export default async function Home() {
  const view = await bookView();
  if (!view) redirect('/start');
  const station =
    view.road.find((s) => s.health === 'look') ??
    view.road.find((s) => s.health !== 'settled') ??
    view.road[0]!;
  redirect(station.path);
}
