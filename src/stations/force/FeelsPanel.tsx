'use client';

import Link from 'next/link';
import { useMemo, useState } from 'react';
import { COMPLAINTS, type NextMeasure } from '@/core/feel/complaints';
import type { ChainFacts } from '@/core/force/chainOf';
import type { CauseVerdict, FoundCause } from '@/core/feel/cause';
import { decimalsOf } from '@/core/response/menuSchema';
import { menuField } from '@/core/settings/menus';
import { keyText } from '@/core/settings/setting';
import { Button } from '@/ui/Button';
import { LinkButton } from '@/ui/LinkButton';
import type { BookView } from '@/book/model/bookView';
import { applyChanges } from '@/book/write/settings';
import { NextStep } from '@/ui/StationPage';
import type { DraftSettings } from '@/parts/useDraftSettings';
import { notifyReply } from '@/parts/notifyReply';
import { ApplyButton } from './ApplyButton';
import { otherCarsOf } from '@/book/judge/otherCars';
import type { CarSide } from '@/book/model/carSide';
import type { CarLog } from '@/book/model/rideView';
import { logFiles, logIds } from './carLogs';
import { heavierIn } from '@/book/judge/force';
import { useAnswer } from './useAnswer';
import type { ForceState } from './useForce';

/** What a driver says of the feel: the measures that can confirm or rule out its causes, and one change. */
export function FeelsPanel({
  like,
  view,
  draft,
  sides,
  logs,
  force,
}: {
  /** The feeling that one came with. */
  like: string | null;
  view: BookView;
  draft: DraftSettings;
  sides: CarSide[];
  /** The logs that are read where a car has one. */
  logs: CarLog[];
  force: ForceState;
}) {
  const [chosen, setChosen] = useState(() => COMPLAINTS.find(({ id }) => id === like)?.id ?? null);
  return (
    <div className="max-w-4xl">
      <h2 id="feels" className="sr-only">
        What does it feel like?
      </h2>
      <div role="group" aria-labelledby="feels" className="flex flex-wrap gap-2">
        {/* Once one is chosen the others make room for its answer. */}
        {COMPLAINTS.filter(({ id }) => chosen === null || id === chosen).map(({ id, words }) => (
          <Button key={id} aria-pressed={id === chosen} onClick={() => setChosen(id)}>
            {words}
          </Button>
        ))}
        {chosen !== null && (
          <Button look="quiet" onClick={() => setChosen(null)}>
            Another feeling
          </Button>
        )}
      </div>
      {chosen === null ? (
        <p className="mt-4 text-muted">
          Choose what comes nearest. What can be behind it is measured on this combination, and ranked. If you
          cannot say what it is, a{' '}
          <Link className="underline underline-offset-4" href="/test-run">
            test run
          </Link>{' '}
          asks one thing after each part of the road.
        </p>
      ) : (
        <Causes key={chosen} id={chosen} view={view} draft={draft} sides={sides} logs={logs} force={force} />
      )}
    </div>
  );
}

/** One change, then a ride: what else is recommended waits. */
export function FeelsStep() {
  return (
    <NextStep title="One change, then drive" actions={<LinkButton href="/ride">To the ride</LinkButton>}>
      Apply the change of the strongest cause, ride, and ask again. What takes away goes before what adds; the
      rest waits.
    </NextStep>
  );
}

/** Where that is measured. */
const WHERE: Record<NextMeasure['where'], string> = {
  steering: '/axes/steering',
  'hands-off': '/seat?do=minimum-force',
  ride: '/ride',
  compare: '/verdict',
  'pre-flight': '/ready',
  stability: '/force?part=calm',
};

const MARKS: Record<CauseVerdict, string> = { likely: '●', possible: '◐', 'ruled out': '○' };

function Causes({
  id,
  view,
  draft,
  sides,
  logs,
  force,
}: {
  id: string;
  view: BookView;
  draft: DraftSettings;
  sides: CarSide[];
  logs: CarLog[];
  force: ForceState;
}) {
  const others = useMemo(() => otherCarsOf(view, sides, draft.values), [view, sides, draft.values]);
  const { answer, fault, isBusy } = useAnswer(force, `${id}/${logIds(logs)}`, (worker) =>
    worker.feel(id, force.facts, view.schools, others, logFiles(logs)),
  );
  const own = logs.find(({ carId }) => carId === view.combination.carId);
  const { words, byHand } = COMPLAINTS.find((one) => one.id === id)!;
  if (fault)
    return (
      <p role="alert" className="mt-4 text-rust">
        It could not be measured: {fault}.
      </p>
    );
  if (!answer)
    return (
      <p role="status" className="mt-4 text-muted">
        Measuring what can be behind it…
      </p>
    );
  const { causes, advised, next } = answer;
  const some = causes.filter(({ verdict }) => verdict !== 'ruled out');
  return (
    <section aria-labelledby="causes" className="mt-4">
      <h3 id="causes" className="text-lg font-bold">
        {some.length === 0
          ? `${words}: nothing that was measured explains it`
          : `${words}: ${some[0]!.verdict === 'likely' ? '' : 'possibly '}${some[0]!.name.replace(/^./, (c) => c.toLowerCase())}`}
      </h3>
      <ol className="mt-2 border-t border-line">
        {causes.map((cause) => (
          <CauseLine
            key={cause.name}
            cause={cause}
            view={view}
            facts={others.find(({ facts }) => facts.car.id === cause.change?.carId)?.facts ?? force.facts}
            // What is tried and not kept yet comes first.
            isBusy={isBusy || draft.changed.length > 0}
            after={advised?.cause.name === cause.name ? advised.after : null}
          />
        ))}
      </ol>
      {!advised && (
        <p className="mt-3 text-[15px]">
          <span className="font-bold">
            {next.where === 'stability' ? 'What comes first:' : 'What to measure next:'}
          </span>{' '}
          <Link className="underline underline-offset-4" href={WHERE[next.where]}>
            {next.measure}
          </Link>
          .{next.where !== 'stability' && ' No single setting that was tried would help.'}
        </p>
      )}
      <p className="mt-2 text-sm text-muted">
        No signal shows {byHand}.{' '}
        {own
          ? `How the signal fills its scale was read from ${own.name}; what reaches the rim is simulated.`
          : 'All of it is simulated: a log with the force would tell how the signal fills its scale.'}
      </p>
    </section>
  );
}

interface LineProps {
  cause: FoundCause;
  view: BookView;
  /** Of the car that its change is for. */
  facts: ChainFacts;
  isBusy: boolean;
}

function CauseLine({ after, ...line }: LineProps & { after: string | null }) {
  const { name, verdict, says, isLogged } = line.cause;
  return (
    <li className="grid grid-cols-[1.5rem_5.5rem_1fr] items-baseline gap-x-3 gap-y-2 xl:grid-cols-[1.5rem_5.5rem_1fr_auto] border-b border-line py-3 text-[15px]">
      <span aria-hidden="true">{MARKS[verdict]}</span>
      <span className={verdict === 'likely' ? 'font-bold' : 'text-muted'}>{verdict}</span>
      <span>
        <span className={verdict === 'ruled out' ? 'text-muted' : 'font-semibold'}>{name}</span>
        <span className="block text-muted">
          {isLogged && 'As logged: '}
          {says}
        </span>
        {after !== null && (
          <span className="mt-1 block">
            {isLogged ? 'The same log with the change: ' : 'Simulated with the change: '}
            {after}
          </span>
        )}
      </span>
      {/* One change at a time: the strongest cause's that helps when it is tried. */}
      {after !== null && <ApplyChange {...line} />}
    </li>
  );
}

function ApplyChange({ cause, view, facts, isBusy }: LineProps) {
  const change = cause.change!;
  const field = menuField(view.menus, change.key);
  const text = (value: number) => (field ? value.toFixed(decimalsOf(field)) : String(value));
  const [from, to] = [text(change.from), text(change.to)];
  const apply = async () => {
    const { key, carId } = change;
    const why = `${cause.name}: ${cause.says}`;
    const reply = await applyChanges([
      { ...key, to: change.to, seen: facts.values[keyText(key)] ?? null, why, ...(carId ? { carId } : {}) },
    ]);
    notifyReply(reply, `${change.label} ${from} → ${to} is on the trail`);
  };
  return (
    <span className="col-start-3 xl:col-start-4 xl:max-w-60 xl:text-right">
      <ApplyButton
        caution={heavierIn(facts, { ...facts.values, [keyText(change.key)]: change.to })}
        name={`Apply: ${change.label} ${from} to ${to}`}
        isBusy={isBusy}
        onApply={() => void apply()}
      >
        {change.label} {from} → {to}
      </ApplyButton>
    </span>
  );
}
