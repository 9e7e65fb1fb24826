import { redirect } from 'next/navigation';
import { bookView } from '@/book/read/readBook';
import { Frame } from '@/stations/frame/Frame';

export default async function BookLayout({ children }: { children: React.ReactNode }) {
  const view = await bookView();
  if (!view) redirect('/start');
  return <Frame view={view}>{children}</Frame>;
}
