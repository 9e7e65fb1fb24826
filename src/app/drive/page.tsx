import { redirect } from 'next/navigation';
import { shownPlace } from '@/book/read/readBook';
import { readGhost } from '@/book/read/readGhost';
import { readDrills } from '@/book/read/readDrills';
import { DRILL_TRACK } from '@/core/drills/course';
import { TEST_TRACK } from '@/core/driving/testCourse';
import { askedHere } from '@/book/read/readExperiments';
import type { BookView } from '@/book/model/bookView';
import { endsBeforeLock, shiftingOf } from '@/book/judge/shiftChoices';
import { underPaddles } from '@/book/judge/underPaddles';
import { DriveStation } from '@/stations/drive/DriveStation';

export const metadata = { title: 'Drive here · Pebble Road' };

const MOST_LAPS = 20;

interface Asked {
  laps?: string;
  /** What shifts, what works the clutch, and what its second paddle holds, %. */
  gears?: string;
  clutch?: string;
  hold?: string;
  /** A steering that helps. */
  assist?: string;
  /** A setting under the paddles, and the two values between which they change it. */
  under?: string;
  between?: string;
  /** A ride whose quickest lap is driven along with. */
  ghost?: string;
  do?: string;
  /** A drill that is practised. */
  drill?: string;
}

/** Own wheel and pedals on our roads: full screen, outside the frame. */
export default async function DrivePage({ searchParams }: { searchParams: Promise<Asked> }) {
  const place = await shownPlace();
  if (!place) redirect('/start');
  const { here, view } = place;
  const { laps, gears, clutch, hold, assist, under, between, ghost, do: wish, drill } = await searchParams;
  const asked = Number(laps ?? 2);
  const paddles = underPaddles(view, under, between);
  const choice = {
    laps: Number.isInteger(asked) && asked >= 1 && asked <= MOST_LAPS ? asked : 2,
    // Paddles that change a setting do not shift.
    shifting: shiftingOf(view, { gears: gears === 'paddles' && paddles ? undefined : gears, clutch, hold }),
    isAssisted: assist !== undefined && endsBeforeLock(view),
    under: paddles,
    ghost: await readGhost(here, view, ghost),
  };
  const shared = { view, choice, asked: null, drill: null, isTest: false };
  const open = wish === 'verdict' ? await askedHere(here, view) : null;
  if (wish === 'verdict' && !open) redirect('/seat?do=verdict');
  if (drill !== undefined) {
    const { lines, hasPlace } = await readDrills(here, view);
    const line = lines.find(({ name }) => name === drill);
    if (!line || !hasPlace) redirect('/drills');
    return <DriveStation {...shared} view={on(view, DRILL_TRACK)} drill={line} />;
  }
  if (wish === 'test-run') return <DriveStation {...shared} view={on(view, TEST_TRACK)} isTest />;
  return <DriveStation {...shared} asked={open} />;
}

/** On another road, where the title has it; else on the one that is open. */
const on = (view: BookView, trackId: string): BookView =>
  view.roads.some(({ id }) => id === trackId) ? { ...view, trackId, ownTrack: null } : view;
