import { redirect } from 'next/navigation';
import { bookView } from '@/book/read/readBook';
import { DriveStation } from '@/stations/drive/DriveStation';

export const metadata = { title: 'Drive here · Pebble Road' };

const MOST_LAPS = 20;

/** Own wheel and pedals on our roads: full screen, outside the frame. */
export default async function DrivePage({
  searchParams,
}: {
  searchParams: Promise<{ laps?: string; gears?: string }>;
}) {
  const view = await bookView();
  if (!view) redirect('/start');
  const { laps, gears } = await searchParams;
  const asked = Number(laps ?? 2);
  const choice = {
    laps: Number.isInteger(asked) && asked >= 1 && asked <= MOST_LAPS ? asked : 2,
    isAutomatic: gears !== 'paddles',
  };
  return <DriveStation view={view} choice={choice} />;
}
