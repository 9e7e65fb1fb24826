import { Button } from '@/ui/Button';
import type { BookView } from '@/book/model/bookView';
import { changeText, settingName } from '@/book/judge/trail';
import { NextStep } from '@/ui/StationPage';
import type { DraftSettings } from './useDraftSettings';

/** What is tried becomes pebbles on the trail, or goes. */
export function KeepStep({ view, draft }: { view: BookView; draft: DraftSettings }) {
  const { changed, caution, isSaid, keep, reset } = draft;
  if (changed.length === 0) return null;
  const said = changed.map((c) => `${settingName(view, c.key).toLowerCase()} ${changeText(view, c)}`);
  return (
    <NextStep
      title={`Keep ${said.join(', ')}?`}
      actions={
        <>
          <Button look="next" onClick={() => void keep()}>
            {isSaid ? 'Hands ready: keep' : 'Keep'}
          </Button>
          <Button onClick={reset}>Put back</Button>
          <Button look="quiet" onClick={() => void keep(true)}>
            Keep for every driver
          </Button>
        </>
      }
    >
      {changed.length > 1
        ? `${changed.length} changes make ${changed.length} pebbles: the next ride cannot tell them apart.`
        : 'Makes one pebble on the trail.'}
      {isSaid && (
        <span role="alert" className="mt-2 block text-rust">
          {caution}
        </span>
      )}
    </NextStep>
  );
}
