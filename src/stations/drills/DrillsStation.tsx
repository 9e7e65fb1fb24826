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
import { Table, type TableColumn } from '@/ui/Table';
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
            {shown?.foot?.advice && <Straighter view={view} advice={shown.foot.advice} />}
            {shown && shown.name !== name && (
              <NextStep
                title={`${DRILL_WORDS[shown.name].label} once more`}
                actions={<LinkButton href={`/drive?drill=${shown.name}`}>Drive it again</LinkButton>}
              >
                {DRILL_WORDS[shown.name].how}
              </NextStep>
            )}
          </>
        ) : (
          <NextStep title="This title has no Quarry Pan">
            Drills are driven there. The file that describes this title lists other roads only.
          </NextStep>
        )
      }
    >
      {shown && shown.series.length > 0 && <Progress line={shown} />}
      {shown?.foot && <p className="mt-2 max-w-2xl">{footSentence(shown.name, shown.foot)}.</p>}
      <div className="mt-4">
        <Table
          label="The drills, as you drove them"
          rows={lines}
          keyOf={({ name }) => name}
          fileName="drills"
          isInOrder
          columns={columns(shown?.name, hasPlace)}
        />
      </div>
    </StationPage>
  );
}

/** The one setting of the curve that makes it straight where this foot works. */
function Straighter({ view, advice }: { view: BookView; advice: Proposal }) {
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

const leadingOf = ({ name, last }: DrillLine) => {
  const value = last?.measures[drillOf(name).leading];
  return typeof value === 'number' ? value : null;
};

const within = ({ name, expected, attempts }: DrillLine) => {
  if (expected) return `${leadingText(name, expected.low)} to ${leadingText(name, expected.high)}`;
  return attempts > 0 ? `after ${LEAST_BEFORE} attempts` : '–';
};

/** @param shown the drill whose attempts are drawn @param hasPlace whether they can be driven here */
const columns = (shown: DrillName | undefined, hasPlace: boolean): TableColumn<DrillLine>[] => [
  {
    head: 'Drill',
    isRowHead: true,
    value: ({ name }) => DRILL_WORDS[name].label,
    view: ({ name }) => (
      <>
        <Link
          href={`/drills?of=${name}`}
          className="font-semibold underline-offset-4 hover:underline"
          aria-current={name === shown ? 'true' : undefined}
        >
          {DRILL_WORDS[name].label}
        </Link>
        <span className="block font-normal text-muted max-[700px]:hidden">{DRILL_WORDS[name].about}</span>
      </>
    ),
  },
  {
    head: 'Last',
    value: (line) => {
      const value = leadingOf(line);
      return value === null ? null : leadingText(line.name, value);
    },
    view: (line) => <Last line={line} />,
    className: 'tabular-nums',
  },
  { head: '9 in 10 of the next within', value: within, className: 'tabular-nums' },
  {
    head: 'Attempts',
    value: ({ attempts }) => attempts,
    view: ({ attempts, last }) => (
      <>
        {attempts}
        {last && <span className="block text-sm text-muted">{moment(last.atMs)}</span>}
      </>
    ),
    className: 'tabular-nums',
  },
  ...(hasPlace
    ? [
        {
          head: '',
          view: ({ name }: DrillLine) => (
            <LinkButton href={`/drive?drill=${name}`}>
              Drive<span className="sr-only"> {DRILL_WORDS[name].label}</span>
            </LinkButton>
          ),
        },
      ]
    : []),
];

function Last({ line }: { line: DrillLine }) {
  const { name, last } = line;
  const value = leadingOf(line);
  if (!last || value === null) return '–';
  return (
    <>
      {leadingText(name, value)}
      <span className="block text-sm text-muted">
        {DRILL_WORDS[name].measures[drillOf(name).leading]!.label}
        {last.judged && last.judged !== 'as usual' && `, ${last.judged}`}
      </span>
    </>
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
