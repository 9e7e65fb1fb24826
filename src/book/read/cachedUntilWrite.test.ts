import { bookVersion, cachedUntilWrite, countWrite } from './cachedUntilWrite';

jest.mock('next/cache', () => ({ revalidatePath: () => undefined }));

it('reads once for each place until the book is written to', async () => {
  const read: string[] = [];
  const cached = cachedUntilWrite(
    (place: string) => Promise.resolve(read.push(place)),
    (place) => place,
  );
  await Promise.all([cached('tern'), cached('wren'), cached('tern')]);
  await cached('wren');
  expect(read).toEqual(['tern', 'wren']);
  const before = bookVersion();
  countWrite();
  expect(bookVersion()).toBe(before + 1);
  await cached('tern');
  expect(read).toEqual(['tern', 'wren', 'tern']);
});

it('keeps the places that are asked for, and lets go of those asked for longest ago', async () => {
  const read: number[] = [];
  const cached = cachedUntilWrite((n: number) => Promise.resolve(read.push(n)), String);
  for (let n = 0; n < 30; n++) {
    await cached(n);
    await cached(0);
  }
  expect(read.filter((n) => n === 0)).toHaveLength(1);
  await cached(1);
  expect(read.filter((n) => n === 1)).toHaveLength(2);
});

it('what could not be read is read again, and no earlier answer stands for it', async () => {
  let isBroken = true;
  const cached = cachedUntilWrite(() =>
    isBroken ? Promise.reject(new Error('no')) : Promise.resolve('yes'),
  );
  await expect(cached()).rejects.toThrow('no');
  isBroken = false;
  expect(await cached()).toBe('yes');
});
