'use client';

import Link from 'next/link';
import { useCallback, useState } from 'react';
import { changeAsked, type Proposal } from '@/core/settings/proposal';
import { applyChange } from '@/book/write/settings';
import { ProposalStep } from '@/parts/ProposalStep';
import { notifyReply } from '@/parts/notifyReply';
import { Button } from '@/ui/Button';
import { LEAST_BEFORE } from '@/core/drills/history';
import { drillOf, type DrillName } from '@/core/drills/measureDrill';
import type { BookView } from '@/book/model/bookView';
import type { DrillLine, DrillsView } from '@/book/model/drillsView';
import { Chart } from '@/ui/Chart';
import type { ChartPalette } from '@/ui/chartTheme';
import { LinkButton } from '@/ui/LinkButton';
import { NextStep, StationPage } from '@/ui/StationPage';
import { attemptSentence, footSentence, leadingText, practiceSentence } from '@/words/drillPractice';
import { DRILL_WORDS } from '@/words/drills';
import { moment } from '@/words/format';
import { progressOption, progressRows } from './progressChart';

/** Drills: what each came to against the driver's own attempts, how it went over weeks, and what comes next. */
export function DrillsStation({
  view,
  drills: { lines, next, hasPlace },
  chosen,
}: {
  view: BookView;
  drills: DrillsView;
  chosen: DrillName | null;
}) {
  const newest = lines.filter(({ last }) => last !== null).toSorted((a, b) => b.last!.atMs - a.last!.atMs)[0];
  const shown = lines.find(({ name }) => name === chosen) ?? newest ?? null;
  const name = next?.name ?? shown?.name ?? 'circle';
  return (
    <StationPage
      finding={
        shown?.last
          ? `${attemptSentence(shown.name, shown.last)}.`
          : 'What the settings are for: the hands and feet'
      }
      subtitle={`${view.names.driver}, ${view.names.car}: against your own attempts in this car and nobody else’s.`}
      next={
        hasPlace ? (
          <>
            <NextStep
              number={1}
              title={next ? `Next: ${DRILL_WORDS[next.name].label}` : 'All of them rest today'}
              actions={
                <LinkButton look="next" href={`/drive?drill=${name}`}>
                  Drive it
                </LinkButton>
              }
            >
              {next
                ? `${practiceSentence(next)}. ${DRILL_WORDS[next.name].how}`
                : 'What rests is kept longer.'}
            </NextStep>
            {shown?.foot?.advice && <Straighter number={2} view={view} advice={shown.foot.advice} />}
            {shown && shown.name !== name && (
              <NextStep
                number={shown.foot?.advice ? 3 : 2}
                title={`${DRILL_WORDS[shown.name].label} once more`}
                actions={<LinkButton href={`/drive?drill=${shown.name}`}>Drive it again</LinkButton>}
              >
                {DRILL_WORDS[shown.name].how}
              </NextStep>
            )}
          </>
        ) : (
          <NextStep number={1} title="This title has no Quarry Pan">
            Drills are driven there. The file that describes this title lists other roads only.
          </NextStep>
        )
      }
    >
      {shown && shown.series.length > 0 && <Progress line={shown} />}
      {shown?.foot && <p className="mt-2 max-w-2xl">{footSentence(shown.name, shown.foot)}.</p>}
      <table className="mt-4 w-full text-[15px]">
        <caption className="sr-only">The drills, as you drove them</caption>
        <thead>
          <tr className="border-b border-line text-left text-muted">
            <th className="py-2 pr-4 font-normal">Drill</th>
            <th className="py-2 pr-4 font-normal">Last</th>
            <th className="py-2 pr-4 font-normal">9 in 10 of the next within</th>
            <th className="py-2 pr-4 font-normal">Attempts</th>
            <th className="py-2 font-normal" />
          </tr>
        </thead>
        <tbody>
          {lines.map((line) => (
            <Row key={line.name} line={line} isShown={line.name === shown?.name} hasPlace={hasPlace} />
          ))}
        </tbody>
      </table>
    </StationPage>
  );
}

/** The one setting of the curve that makes it straight where this foot works. */
function Straighter({ number, view, advice }: { number: number; view: BookView; advice: Proposal }) {
  const [isBusy, setBusy] = useState(false);
  const apply = async () => {
    setBusy(true);
    notifyReply(
      await applyChange(changeAsked(advice, view.settings)),
      `${advice.label} ${advice.from} → ${advice.to} is on the trail`,
    );
    setBusy(false);
  };
  return (
    <ProposalStep
      number={number}
      proposal={advice}
      view={view}
      apply={(name) => (
        <>
          <Button look="next" disabled={isBusy} onClick={() => void apply()} aria-label={name}>
            Apply
          </Button>
          <LinkButton href={`/shape/${advice.key.axis}`}>See it under Shape</LinkButton>
        </>
      )}
    />
  );
}

function Row({ line, isShown, hasPlace }: { line: DrillLine; isShown: boolean; hasPlace: boolean }) {
  const { name, last, attempts, expected } = line;
  const { leading } = drillOf(name);
  const value = last?.measures[leading];
  return (
    <tr className="border-b border-line align-top last:border-0">
      <td className="py-2.5 pr-4">
        <Link
          href={`/drills?of=${name}`}
          className="font-semibold underline-offset-4 hover:underline"
          aria-current={isShown ? 'true' : undefined}
        >
          {DRILL_WORDS[name].label}
        </Link>
        <span className="block text-muted max-[700px]:hidden">{DRILL_WORDS[name].about}</span>
      </td>
      <td className="py-2.5 pr-4 tabular-nums">
        {typeof value === 'number' ? (
          <>
            {leadingText(name, value)}
            <span className="block text-sm text-muted">
              {DRILL_WORDS[name].measures[leading]!.label}
              {last!.judged && last!.judged !== 'as usual' && `, ${last!.judged}`}
            </span>
          </>
        ) : (
          '–'
        )}
      </td>
      <td className="py-2.5 pr-4 tabular-nums">
        {expected
          ? `${leadingText(name, expected.low)} to ${leadingText(name, expected.high)}`
          : attempts > 0
            ? `after ${LEAST_BEFORE} attempts`
            : '–'}
      </td>
      <td className="py-2.5 pr-4 tabular-nums">
        {attempts}
        {last && <span className="block text-sm text-muted">{moment(last.atMs)}</span>}
      </td>
      <td className="py-2.5">
        {hasPlace && (
          <LinkButton href={`/drive?drill=${name}`}>
            Drive<span className="sr-only"> {DRILL_WORDS[name].label}</span>
          </LinkButton>
        )}
      </td>
    </tr>
  );
}

/** Attempts one after the other, and where they were expected. */
function Progress({ line: { name, series } }: { line: DrillLine }) {
  const word = DRILL_WORDS[name].measures[drillOf(name).leading]!;
  const times = word.times ?? 1;
  const label = `${word.label}${word.unit === '' ? '' : ` ${word.unit}`}`;
  const build = useCallback(
    (palette: ChartPalette) =>
      progressOption(
        series.map(({ value }) => value),
        { label, times },
        palette,
      ),
    [series, label, times],
  );
  const figure = (value: number | null) => (value === null ? '–' : value.toFixed(word.digits + 1));
  return (
    <Chart
      className="h-64"
      build={build}
      label={`${DRILL_WORDS[name].label}, attempt by attempt: ${word.label}`}
      fileName={`drill-${name}`}
      table={{
        columns: ['attempt', 'when', label, 'expected from', 'to'],
        rows: progressRows(series.map(({ value }) => value * times)).map((row, i) => [
          row.attempt,
          moment(series[i]!.atMs),
          figure(row.value),
          figure(row.low),
          figure(row.high),
        ]),
      }}
    />
  );
}
