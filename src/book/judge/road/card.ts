import { date } from '@/words/format';
import type { BookView } from '../../model/bookView';
import type { Finding } from '../../model/stationHealth';

/** Whether title and base hold what the card says. */
export function cardFinding({ typedIn }: Pick<BookView, 'typedIn'>): Finding {
  if (!typedIn)
    return {
      health: 'untouched',
      reason: 'Not typed in yet',
      heading: 'The card is written, and not typed in yet',
    };
  if (typedIn.since.length > 0)
    return {
      health: 'look',
      reason: 'Changed since it was typed in',
      heading: 'The card has changed since it was typed in',
    };
  return {
    health: 'settled',
    reason: `Typed in on ${date(typedIn.atMs)}`,
    heading: 'Title and base hold what the card says',
  };
}
