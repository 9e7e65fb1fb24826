import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { strToU8, zipSync } from 'fflate';
import { archiveWriter, openArchive } from './archive';

const folder = mkdtempSync(join(tmpdir(), 'pebble-archive-'));
afterAll(() => rmSync(folder, { recursive: true }));

it('what is written is read back, text for text, from a file or from its bytes', async () => {
  const path = join(folder, 'a.zip');
  const texts = fc.dictionary(
    fc.stringMatching(/^[a-z0-9]{1,12}$/).map((id) => `rides/${id}.ride.csv`),
    fc.string({ unit: 'grapheme', maxLength: 300 }),
    { maxKeys: 6 },
  );
  await fc.assert(
    fc.asyncProperty(texts, async (files) => {
      const writer = archiveWriter(path);
      for (const [name, text] of Object.entries(files)) await writer.add(name, text);
      await writer.finish();
      for (const source of [path, readFileSync(path)]) {
        const opened = await openArchive(source);
        if (!opened.ok) throw new Error(opened.problems[0]!.message);
        expect([...opened.value.names].sort()).toEqual(Object.keys(files).sort());
        for (const [name, text] of Object.entries(files))
          expect(await opened.value.read(name)).toEqual({ ok: true, value: text });
        opened.value.close();
      }
    }),
    { numRuns: 25 },
  );
});

it('a disk that takes nothing is told by whoever writes', async () => {
  const writer = archiveWriter(join(folder, 'no', 'such', 'folder.zip'));
  await expect(
    (async () => {
      await writer.add('book.json', '{}');
      await writer.finish();
    })(),
  ).rejects.toThrow(/ENOENT/);
});

/** An archive whose bytes are changed somewhere. */
const sound = zipSync({
  'book.json': strToU8('{"a":1}'.repeat(200)),
  'rides/a.ride.csv': strToU8('t_s,lap\n0,1\n'),
});

it('bytes that are changed anywhere are refused in words or read as they stand, and nothing is thrown', async () => {
  const change = fc.record({ at: fc.nat(sound.length - 1), to: fc.nat(255), cut: fc.nat(sound.length) });
  let refused = 0;
  await fc.assert(
    fc.asyncProperty(change, fc.boolean(), async ({ at, to, cut }, isCut) => {
      const bytes = Buffer.from(isCut ? sound.slice(0, cut) : sound);
      if (at < bytes.length) bytes[at] = to;
      const opened = await openArchive(bytes);
      if (!opened.ok) {
        refused++;
        expect(opened.problems[0]!.remedy).toMatch(/unchanged|do not open/);
        return;
      }
      for (const name of opened.value.names) {
        const read = await opened.value.read(name);
        if (!read.ok)
          expect(read.problems[0]!.message).toMatch(/is not whole|is larger|is shorter|is missing/);
      }
      opened.value.close();
    }),
    { numRuns: 300 },
  );
  expect(refused).toBeGreaterThan(50);
});

it('a file that says twice what it holds, or is not there, is refused by name', async () => {
  const opened = await openArchive(Buffer.from(sound));
  if (!opened.ok) throw new Error('it is sound');
  expect(await opened.value.read('rides/b.ride.csv')).toMatchObject({
    ok: false,
    problems: [{ code: 'missing-file', message: 'rides/b.ride.csv is missing.' }],
  });
  opened.value.close();
});
