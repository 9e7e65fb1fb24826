import { redirect } from 'next/navigation';
import { readDescribed } from '@/book/read/readDescribed';
import { bookView } from '@/book/read/readBook';
import { DescribeStation } from '@/stations/describe/DescribeStation';
import { subjectOf } from '@/stations/describe/subject';

export const metadata = { title: 'Describe a title, a car, a road or a base · Pebble Road' };

export default async function DescribePage({
  searchParams,
}: {
  searchParams: Promise<{ of?: string; id?: string; ride?: string }>;
}) {
  const view = await bookView();
  if (!view) redirect('/start');
  const { of, id, ride } = await searchParams;
  const subject = subjectOf(of);
  return (
    <DescribeStation
      view={view}
      subject={subject}
      things={await readDescribed(id ?? null)}
      id={id ?? null}
      rideId={ride ?? null}
      key={`${subject}/${id ?? ''}/${view.rig.id}`}
    />
  );
}
