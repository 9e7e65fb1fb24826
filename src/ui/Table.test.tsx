import '@testing-library/jest-dom';
import { act, cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import fc from 'fast-check';
import { momentValue, SEARCHED_FROM, Table, type TableColumn } from './Table';
import { tries } from '@/core/testing/longRun';

interface Stone {
  name: string;
  grams: number | null;
}

const COLUMNS: TableColumn<Stone>[] = [
  { head: 'Stone', value: (stone) => stone.name, isRowHead: true },
  { head: 'Mass', value: (stone) => stone.grams, view: ({ grams }) => (grams === null ? '–' : `${grams} g`) },
  { head: '', view: ({ name }) => <button>Throw {name}</button> },
];

const draw = (rows: Stone[], isInOrder = false) =>
  render(
    <Table
      label="Stones"
      rows={rows}
      columns={COLUMNS}
      keyOf={(_, i) => String(i)}
      fileName="stones"
      isInOrder={isInOrder}
    />,
  );

const STONES: Stone[] = [
  { name: 'Flint 10', grams: 30 },
  { name: 'Slate', grams: null },
  { name: 'Flint 2', grams: 4 },
  { name: 'Chert', grams: -7 },
];
const many = Array.from({ length: SEARCHED_FROM }, (_, i) => ({ name: `Pebble ${i}`, grams: i }));

/** What stands in a column, from the top. */
const column = (index: number) =>
  screen
    .getAllByRole('row')
    .slice(1)
    .map((row) => (row as HTMLTableRowElement).cells[index]!.textContent);
const sortBy = (name: string) => userEvent.click(screen.getByRole('button', { name }));

/** What is taken along, read from the clipboard. */
async function copied(): Promise<string> {
  await userEvent.click(screen.getByRole('button', { name: 'Stones: take along' }));
  await userEvent.click(await screen.findByRole('menuitem', { name: 'Copy as CSV' }));
  return navigator.clipboard.readText();
}

describe('table', () => {
  it('stands in the order in which it was given until a head is pressed', async () => {
    draw(STONES);
    expect(column(0)).toEqual(['Flint 10', 'Slate', 'Flint 2', 'Chert']);
    expect(screen.getByRole('columnheader', { name: 'Mass' })).toHaveAttribute('aria-sort', 'none');
    await sortBy('Mass');
    expect(column(1)).toEqual(['-7 g', '4 g', '30 g', '–']);
    expect(screen.getByRole('columnheader', { name: 'Mass' })).toHaveAttribute('aria-sort', 'ascending');
  });

  it('turns round on a second press, what is not known still last, and a third gives the first order back', async () => {
    draw(STONES);
    await sortBy('Mass');
    await sortBy('Mass');
    expect(column(1)).toEqual(['30 g', '4 g', '-7 g', '–']);
    await sortBy('Mass');
    expect(column(0)).toEqual(STONES.map(({ name }) => name));
  });

  it('sorts words as a reader does: two before ten', async () => {
    draw(STONES);
    await sortBy('Stone');
    expect(column(0)).toEqual(['Chert', 'Flint 2', 'Flint 10', 'Slate']);
  });

  it('is sorted and taken along from the keyboard alone', async () => {
    draw(STONES);
    const user = userEvent.setup();
    await user.tab();
    expect(screen.getByRole('button', { name: 'Stone' })).toHaveFocus();
    await user.tab();
    await user.keyboard('{Enter}');
    expect(column(1)[0]).toBe('-7 g');
    await user.tab();
    await user.keyboard('{Enter}{Enter}');
    expect(await navigator.clipboard.readText()).toBe(
      ['Stone,Mass', 'Chert,-7', 'Flint 2,4', 'Flint 10,30', 'Slate,'].join('\r\n'),
    );
  });

  it('is not sorted where its order says something', () => {
    draw(many, true);
    expect(screen.queryByRole('button', { name: 'Mass' })).toBeNull();
    expect(screen.queryByRole('searchbox')).toBeNull();
  });

  it('is searched where it is long: over every value, and what is found is what is taken along', async () => {
    draw([...many, { name: 'Quartz', grams: 3 }]);
    const user = userEvent.setup();
    const box = screen.getByRole('searchbox', { name: 'Search in: Stones' });
    await user.type(box, 'quar');
    expect(column(0)).toEqual(['Quartz']);
    expect(await copied()).toBe('Stone,Mass\r\nQuartz,3');
    await user.clear(box);
    await user.type(box, '3');
    expect(column(0)).toEqual(['Pebble 3', 'Quartz']);
    await user.type(box, 'nowhere');
    expect(screen.getByRole('status')).toHaveTextContent('None of the 10 says “3nowhere”.');
    await user.keyboard('{Escape}');
    expect(column(0)).toHaveLength(SEARCHED_FROM + 1);
  });

  it('finds by a figure even where the first row has none', async () => {
    draw([{ name: 'Slate', grams: null }, ...many]);
    await userEvent.type(screen.getByRole('searchbox'), '8');
    expect(column(0)).toEqual(['Pebble 8']);
  });

  it('shows every row once, in whichever order it stands', async () => {
    const stone = fc.record({
      name: fc.string({ maxLength: 8 }),
      grams: fc.option(fc.integer({ min: -99, max: 99 })),
    });
    await fc.assert(
      fc.asyncProperty(fc.array(stone, { minLength: 1, maxLength: 8 }), async (stones) => {
        cleanup();
        draw(stones);
        await sortBy('Mass');
        const shown = column(1).map((text) => (text === '–' ? null : parseFloat(text!)));
        const known = stones.flatMap(({ grams }) => (grams === null ? [] : [grams]));
        expect(shown.slice(0, known.length)).toEqual(known.sort((a, b) => a - b));
        expect(shown.slice(known.length)).toEqual(stones.slice(known.length).map(() => null));
      }),
      { numRuns: tries(8, 30) },
    );
  });
});

it('moments sort by time, across months and years, and a spreadsheet reads them', () => {
  const times = [
    Date.UTC(2026, 10, 9),
    Date.UTC(2026, 8, 30),
    Date.UTC(2025, 11, 31),
    Date.UTC(2026, 10, 27),
  ];
  const rows = times.map((atMs) => ({ atMs }));
  render(
    <Table
      label="Evenings"
      rows={rows}
      keyOf={({ atMs }) => String(atMs)}
      columns={[{ head: 'When', value: ({ atMs }) => momentValue(atMs), view: ({ atMs }) => atMs }]}
    />,
  );
  act(() => screen.getByRole('button', { name: 'When' }).click());
  expect(column(0).map(Number)).toEqual(times.toSorted((a, b) => a - b));
  expect(momentValue(times[0]!)).toBe('2026-11-09T00:00:00.000Z');
});
