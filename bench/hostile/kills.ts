import { join } from 'node:path';
import fc from 'fast-check';
import { unzipSync } from 'fflate';
import { packColumns } from '@/core/formats/packedColumns';
import { anyCapture, anyRide } from '@/core/testing/anyRecording';
import { begun, ended, fail, freePort, pause, post, say, start } from './program';

/** In the middle of the simulated weeks. */
const CUT_AFTER_MS = 9000;
const DEMO_CAPTURES = 58;

/** A program under load is killed again and again; what was acknowledged must be there afterwards, to the bit. */
export async function kills(folder: string, n: number): Promise<void> {
  const place = join(folder, 'kills');
  // The demo is killed while it fills, and must be whole the next time.
  const cut = begun(place, await freePort());
  await pause(CUT_AFTER_MS);
  await ended(cut);
  const first = await start(place);
  const zip = await (await fetch(`${first.url}/api/backup`)).arrayBuffer();
  const captured = Object.keys(unzipSync(new Uint8Array(zip))).filter((name) =>
    name.startsWith('captures/'),
  ).length;
  if (captured !== DEMO_CAPTURES) fail(`a demo that was cut off has ${captured} captures`);
  await ended(first.child);
  const kept = new Map<string, string>();
  let acknowledged = 0;
  let restores = 0;
  const captures = fc.sample(
    anyCapture.filter(({ t }) => t.length > 0),
    400,
  );
  const rides = fc.sample(anyRide, 400);
  for (let round = 0; round < n; round++) {
    const { child, url, said } = await start(place);
    for (const [path, text] of kept) {
      const found = await (await fetch(url + path)).text();
      if (found !== text) fail(`round ${round}: ${path} is not what was acknowledged`);
    }
    let alive = true;
    const working = [0, 1, 2].map(async (lane) => {
      for (let i = 0; alive; i++) {
        const k = (round * 31 + lane * 7 + i) % 400;
        const id = `k${round}-${lane}-${i}`;
        const { axis, head, t, axes } = captures[k]!;
        const [path, sent] =
          lane === 0
            ? [
                '/api/rides',
                packColumns({
                  head: { trackId: 'saltmarsh-loop', seed: k, settings: {}, notes: {} },
                  columns: rides[k]!.columns as Record<string, Float64Array>,
                }),
              ]
            : [
                '/api/captures',
                packColumns({
                  head: { id, axis, status: 'draft', origin: 'guided', fromRow: 0, capture: head },
                  columns: { t, ...axes },
                }),
              ];
        const answer = await post(url + path, sent as Uint8Array<ArrayBuffer>).catch(() => null);
        if (!answer?.ok) continue;
        const reply = (await answer.json().catch(() => null)) as { id?: string } | null;
        if (!reply) continue;
        acknowledged++;
        if (!reply.id) continue;
        const ride = `/api/rides/file?id=${reply.id}`;
        const text = await fetch(url + ride)
          .then((one) => one.text())
          .catch(() => null);
        if (text !== null && kept.size < 300) kept.set(ride, text);
      }
    });
    if (round % 5 === 4) {
      restores++;
      // What was acknowledged before may be replaced by then: only that the book is whole counts.
      kept.clear();
      void post(`${url}/api/backup`, zip).catch(() => null);
      await pause(300 + ((round * 997) % 9000));
      await ended(child);
      kept.clear();
    } else {
      await pause(100 + ((round * 613) % 1400));
      await ended(child);
    }
    alive = false;
    await Promise.all(working);
    if (/not whole|cannot be read/.test(said())) fail(`round ${round}: ${said()}`);
  }
  const last = await start(place);
  const whole = await fetch(`${last.url}/api/backup`);
  if (whole.status !== 200) fail(`the book cannot be saved: ${await whole.text()}`);
  await whole.arrayBuffer();
  await ended(last.child);
  say(
    `kills: ${n} (${restores} of them during a restore), ${acknowledged} acknowledged writes, none lost; the book is saved and read back whole`,
  );
}
