'use client';

import { useState } from 'react';
import { carById } from '@/catalog/find';
import { matchRotation } from '@/core/rotation/matchRotation';
import { consistency, lateralPerDegree, SENSITIVITY_SPEEDS, steeredCar } from '@/core/rotation/sensitivity';
import { tableCsv } from '@/ui/csv';
import { Button } from '@/ui/Button';
import { downloadText } from '@/ui/download';
import type { BookView } from '@/book/model/bookView';
import type { CombinationLine } from '@/book/model/combinationView';
import { degrees, signed } from '@/words/format';

interface CarRow {
  name: string;
  lockDeg: number;
  ratio: number;
  bumpStopDeg: number;
  lateral: number[];
}

const COLUMNS: { key: string; head: string; of(row: CarRow): number | string; text(row: CarRow): string }[] =
  [
    { key: 'name', head: 'Car', of: (r) => r.name, text: (r) => r.name },
    { key: 'lock', head: 'Lock to lock', of: (r) => r.lockDeg, text: (r) => degrees(r.lockDeg) },
    { key: 'stop', head: 'Bump stop here', of: (r) => r.bumpStopDeg, text: (r) => degrees(r.bumpStopDeg) },
    { key: 'ratio', head: 'Steering ratio', of: (r) => r.ratio, text: (r) => `${r.ratio} : 1` },
    ...SENSITIVITY_SPEEDS.map((speed, i) => ({
      key: `a${speed}`,
      head: `m/s² per degree at ${speed} m/s`,
      of: (r: CarRow) => r.lateral[i]!,
      text: (r: CarRow) => r.lateral[i]!.toFixed(3),
    })),
  ];

/** Every car of the title with its bump stop on this base, sortable, to take away as CSV. */
export function CarTable({ view }: { view: BookView }) {
  const [sort, setSort] = useState({ key: 'name', isUp: true });
  const rows = view.title.carIds.map((id): CarRow => {
    const car = carById(id);
    const { gain, bumpStopDeg } = matchRotation({ ...view.rotation, carDeg: car.lockDeg });
    return {
      name: car.name,
      lockDeg: car.lockDeg,
      ratio: car.steeringRatio,
      bumpStopDeg,
      lateral: SENSITIVITY_SPEEDS.map((speed) => lateralPerDegree(steeredCar(car), gain, speed)),
    };
  });
  const by = COLUMNS.find((column) => column.key === sort.key)!;
  const sorted = rows.toSorted((a, b) => {
    const [x, y] = [by.of(a), by.of(b)];
    const order = typeof x === 'number' && typeof y === 'number' ? x - y : String(x).localeCompare(String(y));
    return sort.isUp ? order : -order;
  });
  const save = () => {
    const cells = sorted.map((row) => COLUMNS.map((column) => column.of(row)));
    const heads = COLUMNS.map(({ head }) => head);
    downloadText(`${view.title.id}-locks.csv`, `${tableCsv(heads, cells)}\r\n`, 'text/csv');
  };
  return (
    <section aria-labelledby="cars" className="mt-8 max-w-4xl">
      <div className="flex items-center justify-between border-b border-line pb-1">
        <h2 id="cars" className="font-bold">
          All cars of {view.names.title}
        </h2>
        <Button look="quiet" onClick={save}>
          Save as CSV
        </Button>
      </div>
      <div className="overflow-x-auto">
        <table className="w-full text-[15px]" aria-labelledby="cars">
          <thead>
            <tr>
              {COLUMNS.map((column) => (
                <th
                  key={column.key}
                  scope="col"
                  aria-sort={sort.key !== column.key ? 'none' : sort.isUp ? 'ascending' : 'descending'}
                  className="text-left text-sm font-semibold text-muted"
                >
                  <button
                    type="button"
                    className="min-h-11 cursor-pointer pr-3 text-left hover:text-ink"
                    onClick={() =>
                      setSort({ key: column.key, isUp: sort.key === column.key ? !sort.isUp : true })
                    }
                  >
                    {column.head}
                    <span aria-hidden="true">{sort.key === column.key ? (sort.isUp ? ' ↑' : ' ↓') : ''}</span>
                  </button>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {sorted.map((row) => (
              <tr
                key={row.name}
                className={`border-t border-line ${row.name === view.names.car ? 'font-bold' : ''}`}
              >
                {COLUMNS.map((column) => (
                  <td key={column.key} className="py-2 pr-3">
                    {column.text(row)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

/** How alike the driver's cars answer to the hands, over every combination. */
export function ConsistencyTable({ own }: { own: CombinationLine[] }) {
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
        Lateral acceleration per degree of the hands at 30 m/s; half of them lie above{' '}
        {found.medianMps2.toFixed(3)} m/s². More than 15 % off is named.
      </p>
      <table className="mt-2 w-full text-[15px]" aria-labelledby="consistency">
        <tbody>
          {own.map((line) => {
            const off = line.lateral / found.medianMps2 - 1;
            const isOff = found.off.some((o) => o.name === line.name);
            return (
              <tr key={line.name} className="border-t border-line">
                <th scope="row" className="py-2 pr-3 text-left font-normal">
                  {line.name}
                </th>
                <td className="pr-3">{degrees(line.baseDeg)}</td>
                <td className="pr-3">{line.lateral.toFixed(3)} m/s²</td>
                <td className={isOff ? 'text-rust' : 'text-muted'}>{signed(100 * off, 0)} %</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}
