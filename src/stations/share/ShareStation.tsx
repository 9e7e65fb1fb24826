'use client';

import { useMemo, useState } from 'react';
import { useRouter } from 'next/navigation';
import { readThingsJson, writeThingsJson, type Things } from '@/core/formats/thingsJson';
import { describeProblem } from '@/core/problem';
import { sharedThings, type SharedThing } from '@/book/judge/sharedThings';
import type { BookView } from '@/book/model/bookView';
import type { OwnThings } from '@/book/model/ownThings';
import { saveRoad } from '@/book/write/roads';
import { saveBase, saveCar, saveTitle } from '@/book/write/titles';
import type { Reply } from '@/book/write/reply';
import { readChosen } from '@/parts/readChosen';
import { notifyReply } from '@/parts/notifyReply';
import { Button } from '@/ui/Button';
import { downloadText } from '@/ui/download';
import { FileInput } from '@/ui/FileInput';
import { notify } from '@/ui/notices';
import { NextStep, StationPage } from '@/ui/StationPage';
import { Table } from '@/ui/Table';
import { date } from '@/words/format';

const LARGEST_MB = 16;
const STATES: Record<SharedThing['state'], string> = {
  new: 'new here',
  same: 'as it is here',
  changes: 'other than here',
};
/** More changes of one thing than these are counted, not listed. */
const MOST_LISTED = 12;

/** What one described, to hand on in one file; and what somebody else did, item by item before anything is taken over. */
export function ShareStation({ view, own }: { view: BookView; own: OwnThings }) {
  const router = useRouter();
  const [pack, setPack] = useState<Things | null>(null);
  const items = useMemo(() => (pack ? sharedThings(pack, own) : []), [pack, own]);
  const open = async (file: File) => {
    const read = await readChosen(file, readThingsJson);
    if (read.ok) setPack(read.value);
    else notify(`Nothing was changed. ${read.problems.map(describeProblem).join(' ')}`, 'fault');
  };
  const take = async (wanted: SharedThing[]) => {
    for (const item of wanted) if (!notifyReply(await takeOver(pack!, item))) return router.refresh();
    notify(`${wanted.length === 1 ? wanted[0]!.name : `${wanted.length} of them`} can be chosen now`);
    router.refresh();
  };
  const mine = own.titles.length + own.cars.length + own.roads.length + (own.base ? 1 : 0);
  // A base’s program says what this rig is made of: it never comes with the rest.
  const fresh = items.filter(({ kind, state }) => state === 'new' && kind !== 'base');
  return (
    <StationPage
      finding={
        pack
          ? packFinding(items)
          : mine === 0
            ? 'Nothing of your own to share yet'
            : `${mine} ${mine === 1 ? 'thing' : 'things'} of your own to share`
      }
      subtitle={
        pack
          ? pack.origin || 'It does not say where it comes from.'
          : 'Titles, cars, roads and the program of this base, as they were described.'
      }
      next={
        <>
          {fresh.length > 0 && (
            <NextStep
              title={`Take over what is new: ${fresh.length}`}
              actions={
                <Button look="next" onClick={() => void take(fresh)}>
                  Take over
                </Button>
              }
            >
              Nothing that is here becomes anything else by it.
            </NextStep>
          )}
          <NextStep title="Open a pack">
            <FileInput
              label="Open a .pack.json"
              isLabelHidden
              accept=".json,application/json"
              mostMb={LARGEST_MB}
              onFile={(file) => void open(file)}
            />
          </NextStep>
          <NextStep
            title="Hand yours on"
            actions={
              <Button
                disabled={mine === 0}
                onClick={() =>
                  downloadText(
                    `${view.names.driver.toLowerCase().replace(/\W+/g, '-')}.pack.json`,
                    writeThingsJson(thingsOf(own, view)),
                    'application/json',
                  )
                }
              >
                Save all in one file
              </Button>
            }
          >
            Settings go with a profile; this is what they are written in.
          </NextStep>
        </>
      }
    >
      {pack ? (
        <Table
          label="What the pack holds"
          rows={items}
          keyOf={({ kind, name }) => `${kind}/${name}`}
          isInOrder
          columns={[
            { head: 'Kind', value: ({ kind }) => kind },
            { head: 'Called', value: ({ name }) => name, isRowHead: true, className: 'font-semibold' },
            { head: 'It is', value: ({ state }) => STATES[state] },
            {
              head: 'What would change',
              value: ({ changes }) => changes.length,
              view: ({ changes }) => <Changes changes={changes} />,
              className: 'text-sm',
            },
            {
              head: '',
              view: (item) => {
                const act =
                  item.state === 'changes' ? 'Replace' : item.kind === 'base' ? 'Put on this rig' : null;
                if (item.state === 'same' || act === null) return null;
                return (
                  <Button aria-label={`${act}: ${item.name}`} onClick={() => void take([item])}>
                    {act}
                  </Button>
                );
              },
            },
          ]}
        />
      ) : (
        <ul className="max-w-2xl list-disc pl-5">
          {[...own.titles, ...own.cars, ...own.roads].map(({ id, document }) => (
            <li key={id}>{document.name}</li>
          ))}
          {own.base && <li>{own.base.name}, the program of this base</li>}
        </ul>
      )}
    </StationPage>
  );
}

function packFinding(items: readonly SharedThing[]): string {
  const count = (wanted: SharedThing['state']) => items.filter(({ state }) => state === wanted).length;
  const [fresh, others] = [count('new'), count('changes')];
  const said = [
    ...(fresh > 0 ? [`${fresh} new`] : []),
    ...(others > 0 ? [`${others} other than ${others === 1 ? 'it is' : 'they are'} here`] : []),
  ];
  return said.length === 0 ? 'All of it is here already' : `The pack: ${said.join(', ')}`;
}

function Changes({ changes }: { changes: SharedThing['changes'] }) {
  if (changes.length === 0) return null;
  return (
    <ul>
      {changes.slice(0, MOST_LISTED).map(({ where, from, to }) => (
        <li key={where}>
          {where}: {from ?? 'nothing'} → {to ?? 'nothing'}
        </li>
      ))}
      {changes.length > MOST_LISTED && <li>and {changes.length - MOST_LISTED} more</li>}
    </ul>
  );
}

function thingsOf(own: OwnThings, view: BookView): Things {
  return {
    titles: own.titles.map(({ document }) => document),
    cars: own.cars.map(({ document }) => document),
    roads: own.roads.map(({ document }) => document),
    base: own.base,
    origin: `${view.names.driver}, ${date(Date.now())}; the base is that of the ${view.rig.name}`,
  };
}

function takeOver(pack: Things, { kind, name, replaces }: SharedThing): Promise<Reply> {
  const instead = replaces === null ? {} : { replaces };
  const of = <T extends { name: string }>(all: T[]) => all.find((one) => one.name === name)!;
  const from = (origin: string, most: number) => (origin || `from a pack: ${pack.origin}`).slice(0, most);
  switch (kind) {
    case 'title': {
      const document = of(pack.titles);
      return saveTitle({ document: { ...document, origin: from(document.origin, 200) }, ...instead });
    }
    case 'car':
      return saveCar({ car: of(pack.cars), ...instead });
    case 'road': {
      const road = of(pack.roads);
      return saveRoad({ road: { ...road, origin: from(road.origin, 300) }, opens: false, ...instead });
    }
    case 'base':
      return saveBase(pack.base);
  }
}
