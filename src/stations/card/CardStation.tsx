'use client';

import Link from 'next/link';
import { cardCsv, cardMarkdown } from '@/core/card/setupCard';
import { Button } from '@/ui/Button';
import { downloadText } from '@/ui/download';
import { notify } from '@/ui/notices';
import type { BookView } from '@/book/model/bookView';
import { NextStep, StationPage } from '@/ui/StationPage';
import { moment } from '@/words/format';
import { notifyReply } from '@/parts/notifyReply';
import { cardTypedIn } from '@/book/write/card';
import { BackUp } from './BackUp';
import { cardOf } from '@/book/judge/card';
import type { CarTable } from '@/book/judge/carTable';
import { findingOf } from '@/book/judge/road/roadHealth';
import { CardSheet } from './CardSheet';
import { CarValues } from './CarValues';

/** Card: what to type, in the order of the menus; printed, taken along, ticked off from the seat. */
export function CardStation({ view, cars }: { view: BookView; cars: CarTable | null }) {
  const card = cardOf(view);
  const typed = view.typedIn;
  const lines = card.pages.flatMap((page) => page.lines);
  const set = lines.filter((line) => !line.isNeutral).length;
  const name = `${view.combination.carId}-${view.combination.rigId}-${view.combination.titleId}`;
  return (
    <StationPage
      finding={findingOf(view, 'card').heading}
      subtitle={`${lines.length} values in the order of the menus, ${set} away from neutral.`}
      next={
        <>
          <NextStep
            title={typed && typed.since.length === 0 ? 'Typed in' : 'Type it in from the seat'}
            actions={
              <>
                <Link
                  href="/seat?do=card"
                  className="inline-flex min-h-11 items-center rounded-lg bg-lichen px-4 text-[15px] font-semibold text-on-lichen hover:brightness-110"
                >
                  One value at a time
                </Link>
                <Button
                  onClick={() =>
                    void cardTypedIn(true).then((reply) => notifyReply(reply, 'Noted: typed in'))
                  }
                >
                  It is typed in
                </Button>
              </>
            }
          >
            {typed
              ? `Typed in ${moment(typed.atMs)}${typed.version ? ` for ${typed.version}` : ''}.`
              : 'Each value is shown large and read aloud; a paddle goes on.'}
          </NextStep>
          <NextStep
            title="Take it along"
            actions={
              <>
                <Button onClick={() => void copy(cardMarkdown(card))}>Copy as text</Button>
                <Button onClick={() => window.print()}>Print on A5</Button>
                <Button onClick={() => downloadText(`${name}.md`, cardMarkdown(card), 'text/markdown')}>
                  .md
                </Button>
                <Button onClick={() => downloadText(`${name}.csv`, cardCsv(card), 'text/csv')}>.csv</Button>
              </>
            }
          >
            It says for which hardware it was made: on another base the numbers mean something else.
          </NextStep>
          <BackUp />
        </>
      }
    >
      {typed && typed.since.length > 0 && (
        <p className="mb-4 max-w-2xl text-rust print:hidden">
          Changed since it was typed in: {typed.since.join('; ')}. The title still holds the old values.
        </p>
      )}
      <CardSheet card={card} />
      {cars && cars.cars.length > 1 && <CarValues table={cars} />}
    </StationPage>
  );
}

/** For a message to somebody: the whole card, with the hardware that it was made for. */
async function copy(text: string) {
  try {
    await navigator.clipboard.writeText(text);
    notify('The card is copied: paste it wherever you write');
  } catch {
    notify('This browser does not let the card be copied. Save it as .md in its place.', 'fault');
  }
}
