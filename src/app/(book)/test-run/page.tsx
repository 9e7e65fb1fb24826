import { redirect } from 'next/navigation';
import { saidOf, TEST_WAYS } from '@/core/feel/testRun';
import { shownPlace } from '@/book/read/readBook';
import { TestRunStation } from '@/stations/testRun/TestRunStation';

export const metadata = { title: 'Test run · Pebble Road' };

interface Asked {
  where?: string;
  said?: string;
}

/** The test run: what is driven in it, and what came of the one that the address holds. */
export default async function TestRunPage({ searchParams }: { searchParams: Promise<Asked> }) {
  const place = await shownPlace();
  if (!place) redirect('/start');
  const { where, said } = await searchParams;
  const way = TEST_WAYS.find((one) => one === where) ?? 'title';
  const { driver, car, title } = place.view.names;
  return <TestRunStation names={{ driver, car, title }} way={way} answers={saidOf(said, way)} />;
}
