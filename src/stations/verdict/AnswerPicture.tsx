'use client';

import { useCallback } from 'react';
import { bettingScore, SHOWN_AT } from '@/core/experiment/bettingScore';
import { blindPairs, scoredBy } from '@/core/experiment/questions/blind';
import { isPairPlan, type ExperimentAnswer } from '@/core/experiment/questions';
import type { PairPlan } from '@/core/experiment/questions/pairs';
import type { BestPlan } from '@/core/experiment/questions/best';
import type { JndPlan } from '@/core/experiment/questions/jnd';
import { MEASURES_SHOWN } from '@/core/rides/measures';
import { settingWords } from '@/book/judge/experimentWords';
import type { BookView } from '@/book/model/bookView';
import type { ExperimentView } from '@/book/model/experimentView';
import { Chart } from '@/ui/Chart';
import type { ChartPalette } from '@/ui/chartTheme';
import { Table } from '@/ui/Table';
import { measureValue } from '@/words/measures';
import { ridesOption, scoreOption, searchOption } from './answerChart';
import { ComparisonTable } from './ComparisonTable';
import { JndPicture } from './JndPicture';

type Of<K extends ExperimentAnswer['kind']> = Extract<ExperimentAnswer, { kind: K }>;

/** What came of a question, drawn. */
export function AnswerPicture({ view, shown }: { view: BookView; shown: ExperimentView }) {
  const { answer, asked } = shown;
  if (!answer) return null;
  switch (answer.kind) {
    case 'change':
      return <ChangePicture answer={answer} plan={asked as PairPlan} />;
    case 'blind':
      return <BlindPicture answer={answer} shown={shown} />;
    case 'jnd':
      return <JndPicture view={view} answer={answer} plan={asked as JndPlan} />;
    case 'best':
      return (
        <>
          {(asked as BestPlan).settings.map((setting) => (
            <SearchPicture key={setting.key} view={view} answer={answer} setting={setting} />
          ))}
        </>
      );
    case 'explore':
      return <ExploreTable answer={answer} />;
  }
}

/** The measure that was named, ride by ride; travel and shares in percent. */
function measuredRides(answer: Of<'change'>, plan: PairPlan) {
  const measure = MEASURES_SHOWN.find(({ name }) => name === (plan.named ?? 'lapTimeS'))!;
  const isShare = measure.unit === 'travel' || measure.unit === 'share';
  const rides = answer.rides.flatMap(({ side, summary }) => {
    const value = summary[measure.name];
    return value === null ? [] : [{ side, value: isShare ? 100 * value : value }];
  });
  return { measure, rides, label: `${measure.label}, ${isShare ? '%' : measure.unit}` };
}

function ChangePicture({ answer, plan }: { answer: Of<'change'>; plan: PairPlan }) {
  const { measure, rides, label } = measuredRides(answer, plan);
  return (
    <>
      {rides.length > 0 && (
        <>
          <RidesChart rides={rides} label={label} title={measure.label} />
          <p className="mt-1 text-sm text-muted" aria-hidden="true">
            <span className="font-bold text-side-a">A ● ━━</span>,{' '}
            <span className="font-bold text-side-b">B ▲ ╍╍</span>; one mark a ride (mean of its counted laps),
            lines are the means
          </p>
        </>
      )}
      {answer.compared.measures.length > 0 && <ComparisonTable comparisons={answer.compared.measures} />}
    </>
  );
}

function RidesChart({
  rides,
  label,
  title,
}: {
  rides: ReturnType<typeof measuredRides>['rides'];
  label: string;
  title: string;
}) {
  const build = useCallback((palette: ChartPalette) => ridesOption(rides, label, palette), [rides, label]);
  return (
    <Chart
      className="h-64"
      build={build}
      label={`${title} of each ride in the order of driving`}
      fileName="rides-a-b"
      table={{
        columns: ['ride', 'side', label],
        rows: rides.map(({ side, value }, i) => [String(i + 1), side, value.toFixed(2)]),
      }}
    />
  );
}

/** The pairs of a blind test, and its score after each of them. */
function scored({ orders }: Of<'blind'>, { asked, answers }: Pick<ExperimentView, 'asked' | 'answers'>) {
  const pairs = blindPairs({ orders, answers });
  const question = isPairPlan(asked) ? scoredBy(asked) : 'which';
  const scores = [1, ...pairs.map((_, i) => bettingScore(question, pairs.slice(0, i + 1)).score)];
  return { pairs, scores };
}

function BlindPicture({ answer, shown }: { answer: Of<'blind'>; shown: ExperimentView }) {
  const { pairs, scores } = scored(answer, shown);
  if (pairs.length === 0) return null;
  return (
    <>
      <ScoreChart pairs={pairs} scores={scores} />
      <div className="mt-4">
        <Table
          label="Pairs as driven and answered"
          rows={pairs.map((pair, i) => ({ ...pair, at: i + 1, score: scores[i + 1]! }))}
          keyOf={({ at }) => String(at)}
          fileName="pairs"
          isInOrder
          isDense
          columns={[
            { head: 'Pair', value: ({ at }) => String(at), isRowHead: true },
            { head: 'Driven', value: ({ order }) => `${order[0]}, then ${order[1]}` },
            { head: 'Answer', value: ({ answer: said }) => (said === 'none' ? 'can’t say' : `the ${said}`) },
            { head: 'Sure', value: ({ sure }) => (sure ? SURE[sure] : '') },
            { head: 'Score', value: ({ score }) => score.toFixed(2), className: 'font-mono' },
          ]}
        />
      </div>
    </>
  );
}

function ScoreChart({ pairs, scores }: ReturnType<typeof scored>) {
  const build = useCallback((palette: ChartPalette) => scoreOption(scores, SHOWN_AT, palette), [scores]);
  return (
    <Chart
      className="h-64"
      build={build}
      label="The score after each pair"
      fileName="score"
      table={{
        columns: ['pair', 'order', 'answer', 'sure', 'score'],
        rows: pairs.map(({ order, answer: said, sure }, i) => [
          String(i + 1),
          order,
          said,
          sure ?? '',
          scores[i + 1]!.toFixed(2),
        ]),
      }}
    />
  );
}

const SURE = { guess: 'a guess', think: 'thinks so', sure: 'sure' };

function SearchPicture({
  view,
  answer,
  setting,
}: {
  view: BookView;
  answer: Of<'best'>;
  setting: BestPlan['settings'][number];
}) {
  const words = settingWords(view);
  const name = words.name(setting.key);
  const { rides } = answer;
  const build = useCallback(
    (palette: ChartPalette) => {
      const best = answer.found.best[setting.key]!;
      return searchOption(
        setting.key,
        answer.rides,
        setting,
        best,
        settingWords(view).name(setting.key),
        palette,
      );
    },
    [setting, answer, view],
  );
  if (rides.length === 0) return null;
  return (
    <>
      <Chart
        className="h-64"
        build={build}
        label={`${name} ride by ride`}
        fileName="search"
        table={{
          columns: ['ride', name, 'better than before', 'wish'],
          rows: rides.map((ride, i) => [
            String(i + 1),
            words.value(setting.key, ride.values[setting.key]!),
            ride.better === null ? '' : ride.better === 'this' ? 'yes' : 'no',
            ride.wants[setting.key] ?? '',
          ]),
        }}
      />
      <p className="mt-1 text-sm text-muted" aria-hidden="true">
        ▲ would have more, ▼ less, ● right; shaded: where the best is believed to lie (90 %)
      </p>
    </>
  );
}

/** What is told of each ride: a measure, or what the driver would have had. */
interface ExploreRow {
  label: string;
  values: string[];
}

function exploreRows({ rides }: Of<'explore'>): ExploreRow[] {
  const told = MEASURES_SHOWN.filter(({ name }) =>
    rides.some(({ summary }) => (summary?.[name] ?? null) !== null),
  );
  const wishes = rides.map(({ wants }) => wants ?? '–');
  return [
    ...told.map((measure) => ({
      label: measure.label,
      values: rides.map(({ summary }) => {
        const value = summary?.[measure.name] ?? null;
        return value === null ? '–' : measureValue(measure, value);
      }),
    })),
    ...(rides.some(({ wants }) => wants !== null) ? [{ label: 'I would have', values: wishes }] : []),
  ];
}

const EXPLORE_RIDES = ['At its least', 'At its most', 'And back'];

function ExploreTable({ answer }: { answer: Of<'explore'> }) {
  const rows = exploreRows(answer);
  if (rows.length === 0) return null;
  return (
    <div className="mt-4">
      <Table
        label="What changed from ride to ride"
        rows={rows}
        keyOf={({ label }) => label}
        fileName="what"
        isInOrder
        isDense
        columns={[
          { head: 'Measure', value: ({ label }) => label, isRowHead: true, className: 'font-semibold' },
          ...answer.rides.map((_, i) => ({
            head: EXPLORE_RIDES[i]!,
            value: ({ values }: ExploreRow) => values[i]!,
            className: 'font-mono whitespace-nowrap',
          })),
        ]}
      />
    </div>
  );
}
