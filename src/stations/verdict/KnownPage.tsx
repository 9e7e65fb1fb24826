'use client';

import Link from 'next/link';
import { useCallback } from 'react';
import { menuField } from '@/core/settings/menus';
import { keyOfText } from '@/core/settings/setting';
import { settingWords } from '@/book/judge/experimentWords';
import { knownNoticed, knownRemark, knownSentence } from '@/book/judge/settingKnown';
import type { BookView } from '@/book/model/bookView';
import type { KnownRow, SettingKnown } from '@/book/model/settingKnown';
import { Chart } from '@/ui/Chart';
import type { ChartPalette } from '@/ui/chartTheme';
import { LinkButton } from '@/ui/LinkButton';
import { NextStep, StationPage } from '@/ui/StationPage';
import { moment } from '@/words/format';
import { QUESTION_WORDS } from '@/words/questions';
import { knownOption } from './knownChart';

/** All that a driver's questions say of one setting, in one picture. */
export function KnownPage({ view, known }: { view: BookView; known: SettingKnown }) {
  const { key, rows } = known;
  const name = settingWords(view).name(key);
  return (
    <StationPage
      finding={knownSentence(view, known)}
      subtitle={knownNoticed(view, known)}
      next={
        <NextStep
          title="Ask more of it"
          actions={
            <>
              <LinkButton
                look="next"
                href={`/verdict?ask=${known.best ? 'change' : 'best'}&of=${encodeURIComponent(key)}`}
              >
                {QUESTION_WORDS[known.best ? 'change' : 'best'].ask}
              </LinkButton>
              <LinkButton href="/verdict">Another question</LinkButton>
            </>
          }
        >
          {knownRemark(known)}
        </NextStep>
      }
    >
      {rows.length > 0 && (
        <>
          <KnownPicture view={view} known={known} />
          <p className="mt-1 max-w-2xl text-sm text-muted" aria-hidden="true">
            ● tried; ▲ would have more there, ▼ less; a line joins two values that were compared: whole where
            a difference was shown, dashed where none was; shaded: where your best lies (90 %)
          </p>
          <Rows rows={rows} />
        </>
      )}
      {rows.length === 0 && (
        <p className="mt-4 max-w-xl">
          Nothing was asked of {name.toLowerCase()} yet in this title on this rig.
        </p>
      )}
    </StationPage>
  );
}

function KnownPicture({ view, known }: { view: BookView; known: SettingKnown }) {
  const { key, rows } = known;
  const words = settingWords(view);
  const build = useCallback(
    (palette: ChartPalette) => {
      const field = menuField(view.menus, keyOfText(key))!;
      return knownOption(known, field, settingWords(view).name(key), palette);
    },
    [view, known, key],
  );
  return (
    <Chart
      className={rows.length > 4 ? 'h-96' : 'h-72'}
      build={build}
      label={`Every question about ${words.name(key).toLowerCase()}, over its values`}
      fileName="known"
      table={{
        columns: ['question', 'asked', 'values', 'wishes', 'best from', 'to', 'shown'],
        rows: rows.map(({ question, atMs, tried, best, pair }) => [
          QUESTION_WORDS[question].ask,
          moment(atMs),
          tried.map(({ value }) => words.value(key, value)).join(' '),
          tried.map(({ wants }) => wants ?? '–').join(' '),
          best ? words.value(key, best.low) : '',
          best ? words.value(key, best.high) : '',
          pair ? shownText(pair.isShown) : '',
        ]),
      }}
    />
  );
}

const shownText = (isShown: boolean | null) => {
  if (isShown === null) return 'given up';
  return isShown ? 'yes' : 'no';
};

function Rows({ rows }: { rows: readonly KnownRow[] }) {
  return (
    <ol className="mt-6">
      {rows.toReversed().map(({ id, question, atMs, sentence }) => (
        <li key={id} className="border-b border-line last:border-0">
          <Link
            href={`/verdict?show=${id}`}
            className="grid gap-x-6 py-3 hover:bg-raised sm:grid-cols-[15rem_1fr]"
          >
            <span>
              <span className="block font-semibold">{QUESTION_WORDS[question].ask}</span>
              <span className="block text-sm text-muted">{moment(atMs)}</span>
            </span>
            <span>{sentence}.</span>
          </Link>
        </li>
      ))}
    </ol>
  );
}
