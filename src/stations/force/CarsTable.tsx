'use client';

import { useMemo, useState } from 'react';
import type { AlikeBy, CarGain, CarState } from '@/core/force/carGains';
import { keyText } from '@/core/settings/setting';
import { Button } from '@/ui/Button';
import { Table } from '@/ui/Table';
import type { BookView } from '@/book/model/bookView';
import { applyChanges } from '@/book/write/settings';
import type { DraftSettings } from '@/parts/useDraftSettings';
import { percent } from '@/core/text/percent';
import { notifyReply } from '@/parts/notifyReply';
import { ApplyButton } from './ApplyButton';
import { otherCarsOf } from '@/book/judge/otherCars';
import type { CarSide } from '@/book/model/carSide';
import type { CarLog } from '@/book/model/rideView';
import { logFiles, logIds } from './carLogs';
import { heavierIn } from '@/book/judge/force';
import type { ForceState } from './useForce';
import { useAnswer } from './useAnswer';

const BY: Record<AlikeBy, { name: string; words: string; figure(value: number): string }> = {
  peak: {
    name: 'Alike at the strong end',
    words: 'the strong end of the force (P99) is as in',
    figure: (share) => percent(share),
  },
  weight: {
    name: 'Alike in corners',
    words: 'corners weigh as much as in',
    figure: (nm) => `${nm.toFixed(1)} N·m`,
  },
};

/** Every car of the title beside the open one, and the gain that would make it alike. */
export function CarsTable({
  view,
  draft,
  sides,
  logs,
  force,
}: {
  view: BookView;
  draft: DraftSettings;
  sides: CarSide[];
  /** The logs that are read where a car has one. */
  logs: CarLog[];
  force: ForceState;
}) {
  const [by, setBy] = useState<AlikeBy>('peak');
  const [said, setSaid] = useState<string | null>(null);
  const others = useMemo(() => otherCarsOf(view, sides, draft.values), [view, sides, draft.values]);
  const answered = useAnswer(force, `${by}/${logIds(logs)}`, (worker) =>
    worker.cars(force.facts, others, by, logFiles(logs)),
  );
  const { answer: rows, fault } = answered;
  // What is tried and not kept yet comes first.
  const isBusy = answered.isBusy || draft.changed.length > 0;
  const changes = (rows ?? []).flatMap(({ carId, advice }) => (advice ? [{ carId, ...advice }] : []));
  /** What is to be said before these gains are set. */
  const cautionOf = (some: typeof changes) =>
    some
      .map(({ carId, key, to }) => {
        const { facts } = others.find((one) => one.facts.car.id === carId)!;
        const said = heavierIn(facts, { ...facts.values, [keyText(key)]: to });
        return said && `${facts.car.name}: ${said}`;
      })
      .find((said) => said !== null) ?? null;
  const apply = (some: typeof changes) => {
    setSaid(null);
    void applyChanges(
      some.map(({ carId, key, to, evidence }) => {
        const stored = sides.find(({ car }) => car.id === carId)?.settings ?? view.settings;
        return { ...key, to, seen: stored[keyText(key)] ?? null, why: evidence, carId };
      }),
    ).then((reply) =>
      notifyReply(
        reply,
        some.length === 1
          ? 'It is on the trail of that car'
          : `${some.length} cars are set, each on its own trail`,
      ),
    );
  };
  if (fault)
    return (
      <p role="alert" className="text-rust">
        The other cars could not be driven: {fault}.
      </p>
    );
  return (
    <section aria-labelledby="cars" className="max-w-3xl">
      <h2 id="cars" className="sr-only">
        Gain per car
      </h2>
      <div role="group" aria-label="What is to be alike" className="flex flex-wrap gap-2">
        {(Object.keys(BY) as AlikeBy[]).map((one) => (
          <Button key={one} aria-pressed={one === by} onClick={() => setBy(one)}>
            {BY[one].name}
          </Button>
        ))}
      </div>
      {!rows ? (
        <p role="status" className="flex h-40 items-center text-muted">
          The simulated driver laps in every car of {view.names.title}…
        </p>
      ) : (
        <div className="mt-3">
          {/* Above it and not its caption: on a narrow page the table scrolls sideways. */}
          <p className="text-sm text-muted">
            Set so that {BY[by].words} the {view.names.car}
            {logs.length === 0 && '; all of it simulated'}.
          </p>
          <Table
            label="Gain per car"
            rows={rows}
            keyOf={(row) => row.carId}
            fileName="gain-per-car"
            columns={[
              {
                head: 'car',
                value: (row) => row.name,
                view: (row) => <span className={row.state === 'leads' ? 'font-bold' : ''}>{row.name}</span>,
                isRowHead: true,
              },
              {
                head: 'strong end',
                value: (row) => row.peak && 100 * row.peak,
                view: (row) => (row.peak === null ? '–' : BY.peak.figure(row.peak)),
                isFigure: true,
              },
              {
                head: 'corners',
                value: (row) => row.weightNm,
                view: (row) => (row.weightNm === null ? '–' : BY.weight.figure(row.weightNm)),
                isFigure: true,
              },
              {
                head: 'against this car',
                value: (row) => (row.state === 'leads' ? null : row.ratio && 100 * row.ratio),
                view: (row) => (
                  <>
                    {row.state === 'leads' ? '' : row.ratio === null ? '–' : percent(row.ratio)}
                    {/* The leading row shows what its log says. */}
                    {row.from !== rows[0]!.from && row.against !== null && (
                      <span className="block font-sans text-sm text-muted">
                        of {BY[by].figure(row.against)}, simulated
                      </span>
                    )}
                  </>
                ),
                isFigure: true,
              },
              ...(logs.length > 0
                ? [
                    {
                      head: 'read from',
                      value: (row: CarGain) => sourceOf(row, logs),
                      view: (row: CarGain) => (
                        <span
                          className="block max-w-32 truncate text-sm text-muted"
                          title={sourceOf(row, logs)}
                        >
                          {sourceOf(row, logs)}
                        </span>
                      ),
                    },
                  ]
                : []),
              {
                head: 'gain of the car',
                value: ({ advice, state }) =>
                  advice ? `${advice.label} ${advice.from} → ${advice.to}` : STATE_WORDS[state],
                view: (row) => <Gain row={row} />,
              },
              {
                head: '',
                className: 'w-28 text-right',
                view: ({ name, carId, advice }) =>
                  advice && (
                    <ApplyButton
                      look="plain"
                      caution={cautionOf([{ carId, ...advice }])}
                      name={`Apply to the ${name}: ${advice.label} ${advice.from} to ${advice.to}`}
                      isBusy={isBusy}
                      onSaid={setSaid}
                      onApply={() => apply([{ carId, ...advice }])}
                    >
                      Apply
                    </ApplyButton>
                  ),
              },
            ]}
          />
        </div>
      )}
      {said && (
        <p role="alert" className="mt-2 text-rust">
          {said}
        </p>
      )}
      {changes.length > 1 && (
        <div className="mt-3">
          <ApplyButton
            caution={cautionOf(changes)}
            name={`Apply to all ${changes.length}`}
            isBusy={isBusy}
            onSaid={setSaid}
            onApply={() => apply(changes)}
          >
            Apply to all {changes.length}
          </ApplyButton>
        </div>
      )}
    </section>
  );
}

/** What the figures of a car were read from. */
const sourceOf = ({ carId, from }: CarGain, logs: readonly CarLog[]) =>
  (from === 'log' && logs.find((log) => log.carId === carId)?.name) || 'simulated';

/** What its own gain is to be, or why it stays. */
function Gain({ row }: { row: CarGain }) {
  return (
    <>
      {row.advice ? (
        <>
          {row.advice.label}{' '}
          <span className="font-mono whitespace-nowrap">
            {row.advice.from} → {row.advice.to}
          </span>
        </>
      ) : (
        <span className="text-muted">{STATE_WORDS[row.state]}</span>
      )}
      {row.beyond !== null && (
        <span className="block text-sm text-rust">
          It would need {row.beyond.toFixed(0)}: the menu ends before.
        </span>
      )}
      {row.lacks && <span className="block text-sm text-muted">{row.lacks}</span>}
    </>
  );
}

const STATE_WORDS: Record<CarState, string> = {
  leads: 'the others follow it',
  alike: 'alike',
  off: '',
  nearest: 'as near as its steps allow',
  none: 'this title has none',
  unknown: 'nobody can tell',
};
