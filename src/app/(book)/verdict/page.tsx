import { redirect } from 'next/navigation';
import { readExperiment, readKnown, verdictView } from '@/book/read/readExperiments';
import { shownPlace } from '@/book/read/readBook';
import { markedPair } from '@/book/read/readPair';
import { QUESTIONS } from '@/core/experiment/questions';
import { KnownPage } from '@/stations/verdict/KnownPage';
import { askableSettings } from '@/book/judge/askable';
import { PairStation } from '@/stations/verdict/PairStation';
import { VerdictStation } from '@/stations/verdict/VerdictStation';

export const metadata = { title: 'Verdict · Pebble Road' };

export default async function VerdictPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const place = await shownPlace();
  if (!place) redirect('/start');
  const { here, view } = place;
  const { pair, show, ask, know, of } = await searchParams;
  if (pair !== undefined) return <PairStation view={view} pair={await markedPair(here, view)} />;
  const keyOf = (asked: unknown) => askableSettings(view).find(({ key }) => key === asked)?.key ?? null;
  const known = keyOf(know);
  if (known !== null) return <KnownPage view={view} known={await readKnown(here, view, known)} />;
  const [verdict, shown] = await Promise.all([
    verdictView(here, view),
    typeof show === 'string' ? readExperiment(here, view, show) : null,
  ]);
  const question = QUESTIONS.find((one) => one === ask) ?? null;
  return <VerdictStation view={view} verdict={verdict} shown={shown} ask={question} of={keyOf(of)} />;
}
