import { redirect } from 'next/navigation';
import { bookView } from '@/book/read/readBook';
import { DescribeStation } from '@/stations/translate/DescribeStation';

export const metadata = { title: 'Describe a title or a base · Pebble Road' };

export default async function DescribePage({ searchParams }: { searchParams: Promise<{ of?: string }> }) {
  const view = await bookView();
  if (!view) redirect('/start');
  const subject = (await searchParams).of === 'base' ? 'base' : 'title';
  return <DescribeStation view={view} subject={subject} key={`${subject}/${view.rig.id}`} />;
}
