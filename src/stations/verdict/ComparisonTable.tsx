import { effectShown, type Comparison } from '@/core/experiment/compareRides';
import { Table, type TableColumn } from '@/ui/Table';
import { Term } from '@/ui/Term';
import { bareDifference, measureDifference, measureValue } from '@/words/measures';
import { chanceText, isShown } from '@/words/verdict';

/** A and B by every measure that tells. */
export function ComparisonTable({ comparisons }: { comparisons: Comparison[] }) {
  return (
    <div className="mt-4">
      <Table
        label="A and B in numbers"
        rows={comparisons}
        columns={COMPARED}
        keyOf={(c) => c.name}
        fileName="a-and-b"
        isInOrder
        isDense
      />
    </div>
  );
}

const FIGURE = 'font-mono whitespace-nowrap';

const COMPARED: TableColumn<Comparison>[] = [
  { head: 'Measure', value: (c) => c.label, isRowHead: true, className: 'font-semibold' },
  { head: 'A', value: (c) => measureValue(c, c.meanA), className: FIGURE },
  { head: 'B', value: (c) => measureValue(c, c.meanB), className: FIGURE },
  {
    head: 'Difference',
    value: (c) => measureDifference(c, c.difference),
    view: (c) => (
      <span className={isShown(c) ? 'font-bold' : 'text-muted'}>{measureDifference(c, c.difference)}</span>
    ),
    className: FIGURE,
  },
  {
    head: '95 % interval',
    headView: (
      <Term
        word="95 % interval"
        meaning="Of the difference between B and A, with the session’s trend taken out and as much as rides differ by themselves (t distribution). Of this measure alone: it can leave out 0 where no difference is claimed over all of them."
      />
    ),
    value: (c) =>
      effectShown(c)
        .interval.map((end) => bareDifference(c, end))
        .join(' … '),
    className: FIGURE,
  },
  {
    head: 'p, adjusted',
    headView: (
      <Term
        word="p, adjusted"
        meaning="Chance of a difference this large if A and B were the same; adjusted for all measures shown (Holm; from six pairs on by swapping A and B within the pairs). Under 0.05 it is claimed."
      />
    ),
    value: (c) => chanceText(c.pClaim),
    className: FIGURE,
  },
  {
    head: 'at most',
    headView: (
      <Term
        word="at most"
        meaning="If there is a difference, it is smaller than this (two one-sided tests, 5 %)."
      />
    ),
    value: (c) => bareDifference(c, effectShown(c).largestLeft).replace('+', ''),
    className: FIGURE,
  },
];
