'use client';

import {
  questionOf,
  saidText,
  TEST_WAYS,
  testOutcome,
  TEST_PARTS,
  type PartAnswer,
  type TestOutcome,
  type TestWay,
} from '@/core/feel/testRun';
import type { BookView } from '@/book/model/bookView';
import { LinkButton } from '@/ui/LinkButton';
import { NextStep, StationPage } from '@/ui/StationPage';
import { Table, type TableColumn } from '@/ui/Table';
import { Pebble } from '@/ui/Pebble';
import { leadOf, outcomeSentence, saidWords, WAY_WORDS } from '@/words/testRun';

interface Props {
  names: Pick<BookView['names'], 'driver' | 'car' | 'title'>;
  way: TestWay;
  answers: readonly PartAnswer[];
}

const DRIVEN_AT: Record<TestWay, string> = { title: '/seat?do=test-run', here: '/drive?do=test-run' };

/** The test run: its parts in their order, what was said of each, and what to look into first. */
export function TestRunStation({ names, way, answers }: Props) {
  const outcome = testOutcome(answers, way);
  const isBegun = answers.length > 0;
  return (
    <StationPage
      finding={isBegun ? outcomeSentence(outcome) : 'Seven parts, one question after each'}
      subtitle={`${names.driver}, ${names.car} in ${names.title}${isBegun ? `. ${WAY_WORDS[way].name}.` : '.'}`}
      next={isBegun ? <AfterIt way={way} answers={answers} outcome={outcome} /> : <BeforeIt />}
    >
      <Table
        label="The parts of the test run"
        rows={outcome.parts}
        keyOf={({ part }) => part.name}
        fileName="test-run"
        isInOrder
        columns={columns(isBegun)}
      />
    </StationPage>
  );
}

type PartLine = ReturnType<typeof testOutcome>['parts'][number];

const lastWords = ({ part, answer, feeling }: PartLine, isBegun: boolean) =>
  isBegun ? saidWords(answer?.said ?? null, feeling) : (questionOf(part, 'title')?.ask ?? '');

const columns = (isBegun: boolean): TableColumn<PartLine>[] => [
  {
    head: '',
    view: ({ part, answer }) => {
      const said = answer?.said === 'right' ? 'check' : 'dot';
      const place = TEST_PARTS.findIndex(({ name }) => name === part.name);
      return <Pebble size={24} shape={place} kind={answer === null ? 'empty' : said} />;
    },
    className: 'w-10',
  },
  {
    head: 'Part',
    isRowHead: true,
    value: ({ part }) => part.label,
    view: ({ part }) => (
      <>
        <span className="block font-semibold">{part.label}</span>
        <span className="block font-normal text-muted">{part.how}</span>
      </>
    ),
  },
  { head: 'What it tells', value: ({ part }) => part.tells },
  {
    head: isBegun ? 'What you said' : 'What is asked',
    value: (line) => lastWords(line, isBegun),
    view: (line) => (
      <span className={line.feeling ? 'font-semibold' : 'text-muted'}>{lastWords(line, isBegun)}</span>
    ),
  },
];

function BeforeIt() {
  return TEST_WAYS.map((way, i) => (
    <NextStep
      key={way}
      title={WAY_WORDS[way].name}
      actions={
        <LinkButton look={i === 0 ? 'next' : 'plain'} href={DRIVEN_AT[way]}>
          {way === 'title' ? 'From the seat' : 'Drive it here'}
        </LinkButton>
      }
    >
      {WAY_WORDS[way].how}
    </NextStep>
  ));
}

/** One change, then drive again: what stands first in the order comes first. */
function AfterIt({
  way,
  answers,
  outcome: { toDo, clipped, isWhole },
}: Omit<Props, 'names'> & { outcome: TestOutcome }) {
  const steps = [
    ...toDo.map(({ part, feeling }) => ({
      key: part.name,
      title: feeling.words,
      lead: leadOf(feeling),
      said: part.label,
    })),
    ...(clipped.length > 0
      ? [
          {
            key: 'clips',
            title: 'The force was at its end',
            lead: { path: '/force?part=strength', name: 'Look at the gain' },
            said: clipped.map(({ label }) => label).join(', '),
          },
        ]
      : []),
  ];
  return (
    <>
      {steps.map(({ key, title, lead, said }, i) => (
        <NextStep
          key={key}
          title={title}
          actions={
            <LinkButton look={i === 0 ? 'next' : 'plain'} href={lead.path}>
              {lead.name}
            </LinkButton>
          }
        >
          {said}.{i === 0 && steps.length > 1 && ' One change at a time: the rest stands on this one.'}
        </NextStep>
      ))}
      {!isWhole && (
        <NextStep
          title="Go on with it"
          actions={
            <LinkButton href={`${DRIVEN_AT[way]}&said=${saidText(answers)}`}>The next part</LinkButton>
          }
        >
          What was said is kept in this page’s address.
        </NextStep>
      )}
      <NextStep title="Once more" actions={<LinkButton href="/test-run">From the beginning</LinkButton>}>
        After a change, the same parts in the same order.
      </NextStep>
    </>
  );
}
