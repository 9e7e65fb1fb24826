'use client';

import { COMPARED_AT_MPS, consistency, SENSITIVITY_SPEEDS } from '@/core/rotation/sensitivity';
import { speedText, type SpeedUnit } from '@/core/text/speedUnit';
import { Table, type TableColumn } from '@/ui/Table';
import type { BookView } from '@/book/model/bookView';
import { carRows, type CarRow } from '@/book/judge/lock';
import type { CombinationLine } from '@/book/model/combinationView';
import { SpeedUnitChoice } from '@/parts/SpeedUnitChoice';
import { degrees, signed } from '@/words/format';

const columnsIn = (unit: SpeedUnit): TableColumn<CarRow>[] => [
  { head: 'Car', value: (r) => r.name },
  { head: 'Lock to lock', value: (r) => r.lockDeg, view: (r) => degrees(r.lockDeg) },
  { head: 'Bump stop here', value: (r) => r.bumpStopDeg, view: (r) => degrees(r.bumpStopDeg) },
  { head: 'Steering ratio', value: (r) => r.ratio, view: (r) => `${r.ratio} : 1` },
  ...SENSITIVITY_SPEEDS.map((speed) => ({
    head: `m/s² per degree at ${speedText(speed, unit)}`,
    value: (r: CarRow) => r.lateral[speed],
    view: (r: CarRow) => r.lateral[speed].toFixed(3),
  })),
];

/** Every car of the title with its bump stop on this base. */
export function CarTable({ view }: { view: BookView }) {
  const rows = carRows(view);
  return (
    <section aria-labelledby="cars" className="mt-8 max-w-4xl">
      <h2 id="cars" className="border-b border-line pb-1 font-bold">
        All cars of {view.names.title}
      </h2>
      <Table
        label={`All cars of ${view.names.title}`}
        rows={rows}
        columns={columnsIn(view.speedUnit)}
        keyOf={(row) => row.name}
        fileName={`${view.title.id}-locks`}
        isStrong={(row) => row.name === view.names.car}
      />
      <SpeedUnitChoice unit={view.speedUnit} />
    </section>
  );
}

/** How alike the driver's cars answer to the hands, over every combination. */
export function ConsistencyTable({ own, unit }: { own: CombinationLine[]; unit: SpeedUnit }) {
  const found = consistency(own);
  if (!found) return null;
  return (
    <section aria-labelledby="consistency" className="mt-8 max-w-4xl">
      <h2 id="consistency" className="border-b border-line pb-2 font-bold">
        {found.off.length === 0
          ? 'The hands find the same in every car'
          : `${found.off.length} of ${own.length} combinations ask the hands to learn anew`}
      </h2>
      <p className="mt-2 text-muted">
        Lateral acceleration per degree of the hands at {speedText(COMPARED_AT_MPS, unit)}; half of them lie
        above {found.medianMps2.toFixed(3)} m/s². More than 15 % off is named.
      </p>
      <Table
        label="How alike the cars answer"
        rows={own}
        keyOf={(line) => line.name}
        fileName="steering-alike"
        columns={[
          { head: 'Combination', value: (line) => line.name, isRowHead: true },
          { head: 'Base', value: (line) => line.baseDeg, view: (line) => degrees(line.baseDeg) },
          {
            head: 'Lateral per degree',
            value: (line) => line.lateral,
            view: (line) => `${line.lateral.toFixed(3)} m/s²`,
          },
          {
            head: 'Off the middle',
            value: (line) => 100 * (line.lateral / found.medianMps2 - 1),
            view: (line) => (
              <span className={found.off.some((o) => o.name === line.name) ? 'text-rust' : 'text-muted'}>
                {signed(100 * (line.lateral / found.medianMps2 - 1), 0)} %
              </span>
            ),
          },
        ]}
      />
    </section>
  );
}
