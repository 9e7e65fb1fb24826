import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import fc from 'fast-check';
import pg from 'pg';
import { packColumns } from '@/core/formats/packedColumns';
import { anyRide } from '@/core/testing/anyRecording';
import { ended, fail, pause, post, say, start, type Running } from './program';

/** Of the program and of the server, each. */
const KILLS = 20;
const LANES = 2;
/** A page that does not show by then what the other program took is counted. */
const LONGEST_UNSEEN_MS = 1000;

interface Postgres {
  url: string;
  kill(): Promise<void>;
  stop(): Promise<void>;
  restart: (() => Promise<void>) | null;
}

/**
 * Two programs on one PostgreSQL server take rides while one of the three is killed every few seconds; what was acknowledged
 * must be there to the bit, at both programs, and each must show what the other took.
 */
export async function onServer(folder: string, minutes: number): Promise<void> {
  const script = pathToFileURL(join(process.cwd(), 'scripts', 'postgres.mjs')).href;
  const { startPostgres } = (await import(script)) as { startPostgres(): Promise<Postgres | null> };
  const server = await startPostgres();
  if (!server?.restart) {
    say('server: skipped, there is no PostgreSQL that may be killed');
    return;
  }
  const programs: Running[] = [
    await start(join(folder, 'one'), server.url),
    await start(join(folder, 'two'), server.url),
  ];
  const rides = fc.sample(anyRide, 200);
  const kept = new Map<string, string>();
  const seenAfterMs: number[] = [];
  let acknowledged = 0;
  let unanswered = 0;
  let unseen = 0;
  let isOver = false;

  const working = programs.flatMap((_, p) =>
    Array.from({ length: LANES }, async (_lane, lane) => {
      for (let i = 0; !isOver; i++) {
        const { url } = programs[p]!;
        const columns = rides[(i * 7 + lane + p * 3) % rides.length]!.columns as Record<string, Float64Array>;
        const head = { trackId: 'saltmarsh-loop', seed: i, settings: {}, notes: {} };
        const sent = packColumns({ head, columns }) as Uint8Array<ArrayBuffer>;
        const answer = await post(`${url}/api/rides`, sent).catch(() => null);
        const reply = answer?.ok ? ((await answer.json().catch(() => null)) as { id?: string } | null) : null;
        if (!reply?.id) {
          unanswered++;
          await pause(100);
          continue;
        }
        acknowledged++;
        const from = performance.now();
        const other = programs[1 - p]!.url;
        const file = `/api/rides/file?id=${reply.id}`;
        const text = await get(url + file);
        if (text === null) continue;
        kept.set(file, text);
        // Drawn by the other program: its page knows what this one wrote.
        for (let page = await get(`${other}/ride`); page !== null; page = await get(`${other}/ride`)) {
          const afterMs = performance.now() - from;
          if (page.includes(reply.id)) seenAfterMs.push(afterMs);
          else if (afterMs > LONGEST_UNSEEN_MS) unseen++;
          else continue;
          break;
        }
      }
    }),
  );

  const every = (minutes * 60_000) / (2 * KILLS);
  let fallen = 0;
  for (let kill = 0; kill < 2 * KILLS; kill++) {
    await pause(every);
    if (kill % 2 === 0) {
      const at = (kill / 2) % 2;
      await ended(programs[at]!.child);
      programs[at] = await start(join(folder, at === 0 ? 'one' : 'two'), server.url);
    } else {
      await server.kill();
      await server.restart();
      fallen++;
    }
    for (const [i, { child, said }] of programs.entries())
      if (child.exitCode !== null) fail(`program ${i + 1} ended by itself: ${said().slice(-2000)}`);
  }
  isOver = true;
  await Promise.all(working);

  const client = new pg.Client({ connectionString: server.url });
  await client.connect();
  const { rows } = await client.query<{ id: string }>('select id from rides');
  await client.end();
  const there = new Set(rows.map(({ id }) => id));
  for (const [file, text] of kept) {
    if (!there.has(file.slice(file.indexOf('=') + 1))) fail(`${file} was acknowledged and is gone`);
    for (const { url } of programs)
      if ((await get(url + file)) !== text) fail(`${file} is not what was acknowledged`);
  }
  for (const { child } of programs) await ended(child);
  await server.stop();
  seenAfterMs.sort((a, b) => a - b);
  const at = (share: number) => seenAfterMs[Math.floor(share * (seenAfterMs.length - 1))]?.toFixed(0);
  say(
    `server: ${minutes} min, two programs, ${KILLS} kills of a program and ${fallen} of the server; ${acknowledged} acknowledged rides, none lost; ${unanswered} that were not acknowledged`,
  );
  say(
    `server: the other program's page shows a ride when it is asked for: ${seenAfterMs.length} times, the whole page drawn after ${at(0.5)} ms in the middle, ${at(0.99)} ms at P99; ${unseen} pages that did not show it`,
  );
}

async function get(url: string): Promise<string | null> {
  const answer = await fetch(url).catch(() => null);
  return answer?.ok ? answer.text().catch(() => null) : null;
}
