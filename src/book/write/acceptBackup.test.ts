import fc from 'fast-check';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { plainRig } from '@/core/rig/rigSpec';
import { bookDocument } from '@/data/backup';
import { addChanges } from '@/data/changes';
import { addRide } from '@/data/rides';
import { addRig } from '@/data/rigs';
import { bookView } from '../read/readBook';
import { changeCombination } from './settings';
import { acceptBackup, saveBook, sendBackup } from './acceptBackup';
import { bookInMemory } from '../testing/bookInMemory';
import { onServer } from '@/data/testing/bookForTests';
import { tries } from '@/core/testing/longRun';

jest.mock('next/cache', () => ({ revalidatePath: () => undefined }));

const HERE = { rigId: 'rig', titleId: 'causeway', carId: 'marl-850', driver: 'Late shift', branch: '' };
const T = Float64Array.from({ length: 400 }, (_, i) => i / 100);
let files: Record<string, Uint8Array>;

const book = bookInMemory(async (db) => {
  await addRig(db, { id: 'rig', name: 'Tern', spec: plainRig({ kind: 'simulated', rig: 'tern' }) });
  await changeCombination(HERE);
  await changeCombination({ titleId: 'millstone' });
  await changeCombination(HERE);
  const key = { layer: 'title', axis: 'brake', field: 'deadzone' } as const;
  const scope = { rigId: 'rig', titleId: 'causeway', carId: null, driver: 'Late shift', branch: '' };
  await addChanges(db, 'rig', [
    { id: 'change', atMs: 5, kind: 'set', scope, key, from: null, to: 4, why: 'drags' },
  ]);
  const columns = { t_s: T, brake: T.map((t) => Math.sin(t) ** 2), lap: T.map(() => 1) };
  const log = { columns, notes: { source: 'simulated' } };
  await addRide(db, { id: 'ride', ...HERE, trackId: 'saltmarsh-loop', seed: 1, settings: {}, log });
});

beforeAll(async () => {
  const answer = await sendBackup(new Request('http://here/api/backup'));
  files = unzipSync(new Uint8Array(await answer.arrayBuffer()));
});

type Json = { [key: string]: unknown };
const original = () => JSON.parse(strFromU8(files['book.json']!)) as Json;
const restore = async (json: unknown, query = '') => {
  const body = zipSync({ ...files, 'book.json': strToU8(JSON.stringify(json)) });
  const answer = await acceptBackup(
    new Request(`http://here/api/backup${query}`, { method: 'POST', body: body as BodyInit }),
  );
  return { status: answer.status, text: await answer.text() };
};
const rows = (json: Json, table: string) => json[table] as Json[];

it('a dry run takes everything back', async () => {
  const before = await bookDocument(book.db, 1);
  const json = original();
  rows(json, 'rigs')[0]!['name'] = 'Renamed';
  expect((await restore(json, '?dry')).status).toBe(200);
  expect(await bookDocument(book.db, 1)).toEqual(before);
});

it.each<[string, (json: Json) => void, RegExp]>([
  [
    'a car that nobody has',
    (json) => (rows(json, 'combinations')[0]!['carId'] = 'comet'),
    /no car \\"comet\\"/,
  ],
  [
    'a simulated rig that nobody has',
    (json) => ((rows(json, 'rigs')[0]!['spec'] as Json)['device'] = { kind: 'simulated', rig: 'valueOf' }),
    /no simulated rig \\"valueOf\\"/,
  ],
  ['an axis that nobody has', (json) => (rows(json, 'changes')[0]!['axis'] = 'choke'), /axis/],
  ['the same ride twice', (json) => rows(json, 'rides').push({ ...rows(json, 'rides')[0]! }), /stands twice/],
])('%s: refused in words, and the book stays', async (_, spoil, said) => {
  const before = await bookDocument(book.db, 1);
  const json = original();
  spoil(json);
  for (const query of ['?dry', '']) {
    const { status, text } = await restore(json, query);
    expect(status).toBe(422);
    expect(text).toMatch(said);
  }
  expect(await bookDocument(book.db, 1)).toEqual(before);
});

/** The lines of an answer that is watched. */
async function lines(answer: Response): Promise<Json[]> {
  const text = await answer.text();
  return text
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as Json);
}

it('saving says how far it is, and gives the file once', async () => {
  const said = await lines(saveBook(new Request('http://here/api/backup/save', { method: 'POST' })));
  expect(said.slice(0, -1)).toContainEqual({
    doing: 'Saving, and reading back every row',
    done: 2,
    of: 2,
  });
  const { ok, id } = said.at(-1) as { ok: boolean; id: string };
  expect(ok).toBe(true);
  const fetched = await sendBackup(new Request(`http://here/api/backup?id=${id}`));
  expect(fetched.headers.get('content-disposition')).toMatch(/pebble-road-\d{4}-\d\d-\d\d\.zip/);
  expect(Object.keys(unzipSync(new Uint8Array(await fetched.arrayBuffer()))).sort()).toEqual(
    Object.keys(files).sort(),
  );
  const again = await sendBackup(new Request(`http://here/api/backup?id=${id}`));
  expect([again.status, await again.text()]).toEqual([404, expect.stringMatching(/Save it again/)]);
});

it('one that is called off changes nothing, and the next one is not kept waiting', async () => {
  const before = await bookDocument(book.db, 1);
  const calls = new AbortController();
  const body = zipSync({ ...files, 'book.json': strToU8(JSON.stringify(original())) });
  const request = new Request('http://here/api/backup', {
    method: 'POST',
    body: body as BodyInit,
    signal: calls.signal,
  });
  const working = acceptBackup(request);
  const second = await restore(original());
  expect([second.status, second.text]).toEqual([422, expect.stringMatching(/being restored just now/)]);
  calls.abort();
  expect(await (await working).text()).toMatch(/Called off/);
  expect(await bookDocument(book.db, 1)).toEqual(before);
  expect((await restore(original(), '?dry')).status).toBe(200);
});

it('pages are read and commands done while a restore is under way', async () => {
  const body = zipSync({ ...files, 'book.json': strToU8(JSON.stringify(original())) });
  const answer = await acceptBackup(
    new Request('http://here/api/backup?watch&dry', { method: 'POST', body: body as BodyInit }),
  );
  const watching = lines(answer);
  let done = false;
  void watching.then(() => (done = true));
  let turns = 0;
  while (!done) {
    expect((await changeCombination({ driver: turns % 2 ? 'Noon shift' : 'Late shift' })).ok).toBe(true);
    expect((await bookView())?.rig.name).toBe('Tern');
    turns++;
    // As between two requests: a database in memory answers without ever waiting.
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  expect(turns).toBeGreaterThan(2);
  expect((await watching).at(-1)).toMatchObject({ ok: true, before: { rides: 1 }, after: { rides: 1 } });
  await changeCombination(HERE);
});

const ODD = fc.oneof(
  fc.constantFrom<unknown>(
    null,
    '',
    'odd',
    '\0',
    -1,
    0.5,
    1e300,
    4102444800000,
    [],
    {},
    true,
    'x'.repeat(70),
  ),
  fc.jsonValue({ maxDepth: 1 }),
);

/** The document with one value of it, however deep, replaced by another. */
function altered(value: unknown): fc.Arbitrary<unknown> {
  if (typeof value !== 'object' || value === null) return ODD;
  const keys = Object.keys(value);
  if (keys.length === 0) return ODD;
  return fc.constantFrom(...keys).chain((key) =>
    altered((value as Json)[key]).map((odd) => {
      if (Array.isArray(value)) return value.with(Number(key), odd);
      return { ...value, [key]: odd };
    }),
  );
}

it('whatever is changed in a backup: it is refused and nothing changes, or the book it makes can be shown', async () => {
  await fc.assert(
    fc.asyncProperty(altered(original()), async (json) => {
      const before = await bookDocument(book.db, 1);
      const { status, text } = await restore(json);
      if (status === 200) await bookView();
      else {
        expect(JSON.parse(text)).toMatchObject({ ok: false });
        expect(await bookDocument(book.db, 1)).toEqual(before);
      }
    }),
    { numRuns: onServer(tries(8, 40)) },
  );
});
