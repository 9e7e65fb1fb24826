'use client';

import { useMemo, useState } from 'react';
import {
  columnFilteringFeature,
  createFilteredRowModel,
  createSortedRowModel,
  filterFn_includesString,
  globalFilteringFeature,
  rowSortingFeature,
  tableFeatures,
  useTable,
  type ColumnDef,
} from '@tanstack/react-table';
import { tableCsv } from './csv';
import { downloadText } from './download';
import { DotsMenu, MenuItem } from './DotsMenu';
import { notify } from './notices';

export interface TableColumn<Row> {
  /** Stands over the column and in the CSV; empty over buttons. */
  head: string;
  /** What sorts, is searched and stands in the CSV (a moment as {@link momentValue}); left out for a column of buttons. */
  value?(row: Row): string | number | null;
  /** What is drawn where it is more than the value. */
  view?(row: Row): React.ReactNode;
  /** A term that explains itself, in place of the head. */
  headView?: React.ReactNode;
  /** The name of the row. */
  isRowHead?: boolean;
  /** Figures: to the right, in the mono. */
  isFigure?: boolean;
  className?: string;
}

interface Props<Row> {
  label: string;
  rows: readonly Row[];
  columns: readonly TableColumn<Row>[];
  keyOf(row: Row, index: number): string;
  /** Stands over the table; the label alone is for who can't see it. */
  caption?: React.ReactNode;
  /** Name of the CSV without its ending; none where the table can't be taken along from here. */
  fileName?: string;
  /** The order of the rows says something: they are not sorted. */
  isInOrder?: boolean;
  isStrong?(row: Row): boolean;
  isDense?: boolean;
  /** In place of a box that is scrolled sideways. */
  className?: string;
}

const features = tableFeatures({
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
  columnFilteringFeature,
  globalFilteringFeature,
  filteredRowModel: createFilteredRowModel(),
  filterFns: { includesString: filterFn_includesString },
});

/** A moment as a table sorts it and a spreadsheet reads it. */
export const momentValue = (atMs: number) => new Date(atMs).toISOString();

/** From so many rows on they are searched rather than read. */
export const SEARCHED_FROM = 9;

/** Figures by size, words as a reader expects them ("2" before "10"). */
function byValue(x: unknown, y: unknown): number {
  if (typeof x === 'number' && typeof y === 'number') return x - y;
  return String(x).localeCompare(String(y), undefined, { numeric: true });
}

/**
 * A table of the book: sorted by its heads (Enter or a press; once more turns it round), searched where it is long,
 * and taken along as CSV in the order that is shown.
 */
export function Table<Row extends object>(props: Props<Row>) {
  const { label, rows, columns, keyOf, caption, fileName, isStrong } = props;
  const { isInOrder = false, isDense = false } = props;
  const [searched, setSearched] = useState('');
  const defs = useMemo(
    () =>
      columns.map((column, i): ColumnDef<typeof features, Row> => ({
        id: String(i),
        // What is not known comes last, whichever way the rest goes.
        accessorFn: (row) => column.value?.(row) ?? undefined,
        sortFn: (a, b, id) => byValue(a.getValue(id), b.getValue(id)),
        sortUndefined: 'last',
        sortDescFirst: false,
        enableSorting: !isInOrder && column.value !== undefined,
      })),
    [columns, isInOrder],
  );
  const data = useMemo(() => [...rows], [rows]);
  const table = useTable({
    features,
    columns: defs,
    data,
    getRowId: keyOf,
    globalFilterFn: 'includesString',
    // A first row without a figure is no reason not to search the column.
    getColumnCanGlobalFilter: ({ id }) => columns[Number(id)]!.value !== undefined,
  });
  const shown = table.getRowModel().rows;
  const kept = columns.filter((column) => column.value !== undefined);
  const csv = () =>
    tableCsv(
      kept.map(({ head }) => head),
      shown.map(({ original }) => kept.map((column) => column.value!(original) ?? '')),
    );
  const search = (text: string) => {
    setSearched(text);
    table.setGlobalFilter(text);
  };
  return (
    <div className={props.className ?? 'overflow-x-auto'}>
      {rows.length >= SEARCHED_FROM && !isInOrder && (
        <input
          type="search"
          aria-label={`Search in: ${label}`}
          placeholder="Search"
          className="mb-1 h-11 w-60 rounded-lg border border-line bg-raised px-3 text-[15px]"
          value={searched}
          onChange={(event) => search(event.target.value)}
          onKeyDown={(event) => event.key === 'Escape' && search('')}
        />
      )}
      <table className={`w-full text-left ${isDense ? 'text-sm' : 'text-[15px]'}`} aria-label={label}>
        {caption && <caption className="pb-1 text-left">{caption}</caption>}
        <thead>
          <tr className="border-b border-line text-sm text-muted">
            {table.getHeaderGroups()[0]!.headers.map((header, i) => (
              <Head
                key={header.id}
                column={columns[i]!}
                sorted={header.column.getIsSorted()}
                sort={header.column.getCanSort() ? () => header.column.toggleSorting() : null}
              />
            ))}
            {fileName && (
              <td className="w-11 text-right align-bottom print:hidden">
                <DotsMenu label={`${label}: take along`}>
                  <MenuItem onSelect={() => void copy(csv())}>Copy as CSV</MenuItem>
                  <MenuItem onSelect={() => downloadText(`${fileName}.csv`, `${csv()}\r\n`, 'text/csv')}>
                    Save as CSV
                  </MenuItem>
                </DotsMenu>
              </td>
            )}
          </tr>
        </thead>
        <tbody>
          {shown.map(({ id, original }) => (
            <tr
              key={id}
              className={`border-b border-line align-baseline ${isStrong?.(original) ? 'font-bold' : ''}`}
            >
              {columns.map((column, i) => (
                <Cell
                  key={i}
                  column={column}
                  row={original}
                  className={isDense ? 'py-1 pr-3' : 'py-2 pr-4'}
                  // The column of the menu is nobody's: the last cell reaches under it, but for figures under their head.
                  colSpan={fileName && i === columns.length - 1 && !column.isFigure ? 2 : 1}
                />
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {shown.length === 0 && rows.length > 0 && (
        <p role="status" className="py-3 text-muted">
          None of the {rows.length} says “{searched}”.
        </p>
      )}
    </div>
  );
}

function Head<Row>({
  column,
  sorted,
  sort,
}: {
  column: TableColumn<Row>;
  sorted: false | 'asc' | 'desc';
  sort: (() => void) | null;
}) {
  const side = column.isFigure ? 'text-right' : 'text-left';
  if (column.head === '') return <td />;
  if (sort === null || column.headView)
    return (
      <th scope="col" className={`sticky top-0 bg-ground py-1 pr-4 align-bottom font-normal ${side}`}>
        {column.headView ?? column.head}
      </th>
    );
  return (
    <th
      scope="col"
      aria-sort={sorted === false ? 'none' : sorted === 'asc' ? 'ascending' : 'descending'}
      className={`sticky top-0 bg-ground pr-4 align-bottom font-normal ${side}`}
    >
      <button
        type="button"
        className={`min-h-11 cursor-pointer hover:text-ink ${side} ${sorted ? 'font-bold text-ink' : ''}`}
        onClick={sort}
      >
        {column.head}
        <span aria-hidden="true">{sorted === false ? '' : sorted === 'asc' ? ' ↑' : ' ↓'}</span>
      </button>
    </th>
  );
}

function Cell<Row>({
  column,
  row,
  className,
  colSpan,
}: {
  column: TableColumn<Row>;
  row: Row;
  className: string;
  colSpan: number;
}) {
  const figure = column.isFigure ? 'text-right font-mono whitespace-nowrap' : '';
  const look = `${className} ${figure} ${column.className ?? ''}`;
  const shown = column.view ? column.view(row) : (column.value?.(row) ?? '–');
  return column.isRowHead ? (
    <th scope="row" colSpan={colSpan} className={`text-left [font-weight:inherit] ${look}`}>
      {shown}
    </th>
  ) : (
    <td colSpan={colSpan} className={look}>
      {shown}
    </td>
  );
}

async function copy(text: string) {
  try {
    await navigator.clipboard.writeText(text);
    notify('The table is on the clipboard.');
  } catch {
    notify('This browser keeps its clipboard to itself: save the table instead.', 'fault');
  }
}
