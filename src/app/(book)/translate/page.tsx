import { redirect } from 'next/navigation';
import { bookView } from '@/book/read/readBook';
import { ownDialects } from '@/book/read/ownDialects';
import { TranslateStation } from '@/stations/translate/TranslateStation';

export const metadata = { title: 'Translate · Pebble Road' };

export default async function TranslatePage() {
  const view = await bookView();
  if (!view) redirect('/start');
  return <TranslateStation view={view} own={await ownDialects()} />;
}
