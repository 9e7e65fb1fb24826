import { bookDocument } from './backup';
import { fillDemoBook } from './demoBook';
import * as planned from './demoCaptures';
import { listRigs } from './rigs';
import { bookForTests } from './testing/bookForTests';
import { itLong } from '@/core/testing/longRun';

jest.mock('./demoCaptures', () => ({
  ...jest.requireActual<typeof planned>('./demoCaptures'),
  demoCaptures: jest.fn(),
}));
const { demoCaptures } = jest.requireActual<typeof planned>('./demoCaptures');

/** The first captures of the demo; then it is killed. */
function* killed(): ReturnType<typeof demoCaptures> {
  let n = 0;
  for (const one of demoCaptures()) {
    if (n++ === 2) throw new Error('killed');
    yield one;
  }
}

itLong(
  'a demo that is cut off while it fills leaves nothing half, and is filled whole the next time',
  async () => {
    const book = await bookForTests();
    const empty = await bookDocument(book.db, 1);
    jest.mocked(planned.demoCaptures).mockImplementationOnce(killed);
    await expect(fillDemoBook(book.db)).rejects.toThrow('killed');
    expect(await bookDocument(book.db, 1)).toEqual(empty);
    jest.mocked(planned.demoCaptures).mockImplementationOnce(demoCaptures);
    await fillDemoBook(book.db);
    const { captures, rides, rigs, changes } = await bookDocument(book.db, 1);
    expect([rigs.length, captures.length, rides.length, changes.length]).toEqual([3, 58, 1, 18]);
    // A book that has something in it is left as it is.
    await fillDemoBook(book.db);
    expect((await listRigs(book.db)).length).toBe(3);
    await book.close();
  },
);
