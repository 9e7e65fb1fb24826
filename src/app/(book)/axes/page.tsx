import { redirect } from 'next/navigation';
import { bookView } from '@/book/read/readBook';
import { axisToLookAt } from '@/book/judge/road/axes';

/** Opens the axis that needs a look first. */
export default async function AxesPage() {
  const view = await bookView();
  if (!view) redirect('/start');
  redirect(`/axes/${axisToLookAt(view.axes).axis}`);
}
