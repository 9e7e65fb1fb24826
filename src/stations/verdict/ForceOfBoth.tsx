'use client';

import { basisOf } from '@/book/judge/basis';
import { forceRows, forceSentence, forceSource, type ForceRow } from '@/book/judge/sidesForce';
import type { BookView } from '@/book/model/bookView';
import type { SidesForce } from '@/book/model/sidesForce';
import { BasisMark } from '@/parts/BasisMark';
import { ChartPlace } from '@/ui/Chart';
import { Table, type TableColumn } from '@/ui/Table';
import { useFetched } from '@/ui/useFetched';

const FIGURE = 'font-mono whitespace-nowrap';
const COLUMNS: TableColumn<ForceRow>[] = [
  { head: 'Computed', value: ({ label }) => label, isRowHead: true, className: 'font-semibold' },
  { head: 'A', value: ({ a }) => a, className: FIGURE },
  { head: 'B', value: ({ b }) => b, className: FIGURE },
];

/** What A and B make of the force, where it is the force that was changed. @param rides names what was driven, so that it is asked anew */
export function ForceOfBoth({ view, id, rides }: { view: BookView; id: string; rides: number }) {
  const fetched = useFetched<{ force: SidesForce | null }>(`/api/experiments/force?id=${id}&rides=${rides}`);
  if (!fetched.value) return <ChartPlace className="h-64" of={fetched} />;
  const { force } = fetched.value;
  if (!force) return null;
  const source = forceSource(force);
  return (
    <section aria-label="The force of both" className="mt-6">
      <h2 className="border-b border-line pb-2 font-bold">
        The force of both
        <BasisMark basis={basisOf(view).torque} />
      </h2>
      <p className="mt-3 max-w-2xl">{forceSentence(force)}</p>
      <div className="mt-2">
        <Table
          label="The force of A and B"
          rows={forceRows(force)}
          columns={COLUMNS}
          keyOf={({ label }) => label}
          fileName="force-a-b"
          isInOrder
          isDense
        />
      </div>
      {source && <p className="mt-1 max-w-2xl text-sm text-muted">{source}</p>}
    </section>
  );
}
