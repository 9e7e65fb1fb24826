import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { strToU8, unzipSync, zipSync, strFromU8 } from 'fflate';
import type { Page } from '@playwright/test';
import { test } from '../e2e/fixtures';
import { PAGES, pageData } from '../e2e/pageData';
import { copyBook, removeBook, startServer } from '../e2e/server';

// As somebody has it: every picture, the wall clock, all motion.
test.use({ drivePace: 1, isLive: true, contextOptions: {} });

const say = (what: string, figure: string) => process.stdout.write(`\n${what.padEnd(64)} ${figure}\n`);
const CHANGES = 10_000;
const COMBINATIONS = 300;
const STATIONS = ['axes', 'shape', 'lock', 'force', 'ride', 'verdict', 'card'];
const ROUNDS = 6;
const GOAL = `a station of a book with ${CHANGES} changes, ${COMBINATIONS} combinations (goal: 150 ms)`;

interface Book {
  rigs: { id: string }[];
  combinations: Record<string, unknown>[];
  changes: Record<string, unknown>[];
}

/** The demo's book with as many changes and combinations as years of evenings leave behind. */
function grown(archive: Uint8Array): Uint8Array {
  const files = unzipSync(archive);
  const book = JSON.parse(strFromU8(files['book.json']!)) as Book;
  const pattern = book.combinations.find((c) => c['rigId'] === 'tern')!;
  const change = book.changes.find((c) => c['field'] === 'gain')!;
  const drivers = ['Dawn shift', 'Noon shift', 'Late shift'];
  const at = Number(pattern['openedAtMs']);
  for (let i = 0; book.combinations.length < COMBINATIONS; i++)
    book.combinations.push({
      ...pattern,
      driver: drivers[i % 3],
      branch: `b${i}`,
      openedAtMs: at - 1000 * (i + 1),
    });
  for (let i = 0; book.changes.length < CHANGES; i++) {
    const { branch } = book.combinations[i % COMBINATIONS]!;
    const [fromValue, toValue] = [i % 2 ? 40 : 60, i % 2 ? 60 : 40];
    book.changes.push({ ...change, id: `grown-${i}`, branch, driver: drivers[i % 3], fromValue, toValue });
  }
  return zipSync({ ...files, 'book.json': strToU8(JSON.stringify(book)) }, { level: 1 });
}

test('a book of ten years', async ({ page, server }) => {
  test.setTimeout(300_000);
  await page.goto(server.url);
  const archive = await (await page.request.get(`${server.url}/api/backup`)).body();
  const from = Date.now();
  const reply = await page.request.post(`${server.url}/api/backup`, {
    data: Buffer.from(grown(new Uint8Array(archive))),
    headers: { origin: server.url, 'content-type': 'application/zip' },
    timeout: 240_000,
  });
  if (!reply.ok()) throw new Error(await reply.text());
  say('restore it, looked through combination by combination', `${Date.now() - from} ms`);
  const opened: number[] = [];
  await page.goto(`${server.url}/card`);
  for (let round = 0; round < ROUNDS; round++)
    for (const station of STATIONS) opened.push(await openFromRoad(page, station));
  // What was opened once is warm, as it is for a driver on the first evening's second minute.
  say(GOAL, summary(opened.slice(STATIONS.length)));
  STATIONS.forEach((station, k) =>
    say(`  ${station}`, summary(opened.filter((_, i) => i % STATIONS.length === k && i >= STATIONS.length))),
  );
  // A page that draws its live axes would be measured with it.
  await page.goto('about:blank');
  const fetched: number[] = [];
  for (let round = 0; round < ROUNDS; round++)
    for (const station of STATIONS) fetched.push(await fetchMs(`${server.url}/${station}`));
  say('the same as a whole page, from the server alone', summary(fetched.slice(STATIONS.length)));
});

const RIDES = 2000;
/** So many times four questions were asked. */
const QUESTIONS = 30;
/** So many of them are whole; those further back are never read, and hold a piece each. */
const WHOLE = 40;

/** The demo's book with the rides of years, one every evening, each after a change. */
async function manyRides(folder: string) {
  const book = await PGlite.create(join(folder, 'book'));
  await book.exec(`
    insert into rides (id, at, rig_id, title_id, car_id, driver, branch, track_id, seed, settings, mark, head)
    select id || '-' || n, at - n * interval '1 day', rig_id, title_id, car_id, driver, branch, track_id, seed, settings,
      null, head
    from rides, generate_series(1, ${RIDES - 1}) n where id = 'demo-first-ride';
    insert into ride_parts (ride_id, part, samples)
    select 'demo-first-ride-' || n, part, samples from ride_parts, generate_series(1, ${RIDES - 1}) n
    where ride_id = 'demo-first-ride' and (n < ${WHOLE} or part = 0);
    insert into changes (id, at, kind, rig_id, title_id, car_id, driver, branch, layer, axis, field, from_value, to_value, why)
    select 'grown-' || n, (select max(at) from rides) - n * interval '150 minutes', kind, rig_id, title_id, car_id, driver, branch, layer, axis, field,
      from_value, to_value, why
    from (select * from changes where rig_id = 'tern' and field = 'gain' limit 1) one, generate_series(1, ${CHANGES}) n`);
  // Every question of the demo's evening, again and again, as if it had been asked here.
  const copied = `generate_series(1, ${QUESTIONS}) n`;
  await book.exec(`
    insert into experiments (id, at, rig_id, title_id, car_id, driver, branch, track_id, plan, state, decision)
    select e.id || '-' || n, e.at - n * interval '7 days', r.rig_id, r.title_id, r.car_id, r.driver, r.branch, e.track_id, e.plan,
      e.state, e.decision
    from experiments e, rides r, ${copied} where r.id = 'demo-first-ride' and e.plan #>> '{asked,question}' <> 'change';
    insert into trials (id, experiment_id, place, at, outcome, ride_id, "values", software)
    select t.id || '-' || n, t.experiment_id || '-' || n, t.place, t.at, t.outcome, t.ride_id, t."values", t.software
    from trials t join experiments e on e.id = t.experiment_id, ${copied} where e.plan #>> '{asked,question}' <> 'change';
    insert into answers (experiment_id, place, at, said)
    select experiment_id || '-' || n, place, at, said from answers, ${copied};`);
  await book.close();
}

test('two thousand rides', async ({ page }) => {
  test.setTimeout(300_000);
  for (const [what, grow] of [
    ['the demo as it is', false],
    [`the same with ${RIDES} rides and ${CHANGES} changes of the open combination`, true],
  ] as const) {
    const folder = copyBook('demo');
    if (grow) await manyRides(folder);
    const server = await startServer(folder, 'demo');
    await page.goto(`${server.url}/card`);
    const opened: number[] = [];
    for (let round = 0; round < ROUNDS; round++)
      for (const station of STATIONS) opened.push(await openFromRoad(page, station));
    await page.goto('about:blank');
    let [most, largest] = [0, ''];
    for (const path of PAGES) {
      const size = pageData(await (await fetch(`${server.url}/${path}`)).text());
      if (size > most) [most, largest] = [size, path];
    }
    say(`a station, ${what}`, summary(opened.slice(STATIONS.length)));
    const verdict = STATIONS.indexOf('verdict');
    say(
      '  verdict among them',
      summary(opened.filter((_, i) => i >= STATIONS.length && i % STATIONS.length === verdict)),
    );
    say(
      `  data of the largest of ${PAGES.length} pages (goal: 40 kB)`,
      `${(most / 1000).toFixed(1)} kB, ${largest}`,
    );
    await server.stop();
    removeBook(folder);
  }
});

/** From the click on the road until the station stands in the page. */
function openFromRoad(page: Page, station: string): Promise<number> {
  return page.evaluate(
    (path) =>
      new Promise<number>((done) => {
        const link = document.querySelector<HTMLAnchorElement>(`nav a[href^="${path}"]`)!;
        const before = document.querySelector('h1');
        const from = performance.now();
        const look = () => {
          const heading = document.querySelector('h1');
          if (location.pathname.startsWith(path) && heading && heading !== before)
            done(performance.now() - from);
          else requestAnimationFrame(look);
        };
        link.click();
        requestAnimationFrame(look);
      }),
    `/${station}`,
  );
}

async function fetchMs(url: string): Promise<number> {
  const from = performance.now();
  await (await fetch(url)).text();
  return performance.now() - from;
}

function summary(took: number[]): string {
  const sorted = took.toSorted((a, b) => a - b);
  return `median ${sorted[sorted.length >> 1]!.toFixed(0)} ms, slowest ${sorted.at(-1)!.toFixed(0)} ms`;
}
