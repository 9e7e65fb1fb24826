import { redirect } from 'next/navigation';
import { bookView } from '@/book/read/readBook';
import { combinationText } from '@/core/settings/scope';
import { Frame } from '@/stations/frame/Frame';

export default async function BookLayout({ children }: { children: React.ReactNode }) {
  const view = await bookView();
  if (!view) redirect('/start');
  return (
    <Frame view={view}>
      {/* What is tried belongs to one combination: with another, or another branch of it, every station begins anew. */}
      <div key={combinationText(view.combination)} className="contents">
        {children}
      </div>
    </Frame>
  );
}
