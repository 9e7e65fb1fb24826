'use client';

import {
  questionOf,
  saidText,
  TEST_WAYS,
  testOutcome,
  type PartAnswer,
  type TestOutcome,
  type TestWay,
} from '@/core/feel/testRun';
import type { BookView } from '@/book/model/bookView';
import { LinkButton } from '@/ui/LinkButton';
import { NextStep, StationPage } from '@/ui/StationPage';
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
      <table className="w-full text-[15px]">
        <caption className="sr-only">The parts of the test run</caption>
        <thead>
          <tr className="border-b border-line text-left text-muted">
            <th className="w-10 py-2 font-normal">
              <span className="sr-only">Number</span>
            </th>
            <th className="py-2 pr-4 font-normal">Part</th>
            <th className="py-2 pr-4 font-normal max-[1150px]:hidden">What it tells</th>
            <th className="py-2 font-normal">{isBegun ? 'What you said' : 'What is asked'}</th>
          </tr>
        </thead>
        <tbody>
          {outcome.parts.map(({ part, answer, feeling }, i) => (
            <tr key={part.name} className="border-b border-line align-baseline">
              <td className="py-3 pr-2">
                <Pebble
                  size={24}
                  shape={i}
                  kind={answer === null ? 'empty' : answer.said === 'right' ? 'check' : 'dot'}
                />
              </td>
              <td className="py-3 pr-4">
                <span className="block font-semibold">{part.label}</span>
                <span className="block text-muted">{part.how}</span>
              </td>
              <td className="py-3 pr-4 max-[1150px]:hidden">{part.tells}</td>
              <td className={`py-3 ${feeling ? 'font-semibold' : 'text-muted'}`}>
                {isBegun ? saidWords(answer?.said ?? null, feeling) : (questionOf(part, 'title')?.ask ?? '')}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </StationPage>
  );
}

function BeforeIt() {
  return TEST_WAYS.map((way, i) => (
    <NextStep
      key={way}
      number={i + 1}
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
          number={i + 1}
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
          number={steps.length + 1}
          title="Go on with it"
          actions={
            <LinkButton href={`${DRIVEN_AT[way]}&said=${saidText(answers)}`}>The next part</LinkButton>
          }
        >
          What was said is kept in this page’s address.
        </NextStep>
      )}
      <NextStep
        number={steps.length + (isWhole ? 1 : 2)}
        title="Once more"
        actions={<LinkButton href="/test-run">From the beginning</LinkButton>}
      >
        After a change, the same parts in the same order.
      </NextStep>
    </>
  );
}
