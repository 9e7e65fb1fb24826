import { packColumns } from '@/core/formats/packedColumns';
import { memory, pause, post, say, type Running } from './program';

/** Long work for one, and pages for another meanwhile. */
export async function besidePages({ child, url }: Running): Promise<void> {
  const capture = longCapture();
  const ride = longRide();
  const zip = await (await fetch(`${url}/api/backup`)).arrayBuffer();
  for (const [name, work] of [
    ['save', () => fetch(`${url}/api/backup`)],
    ['dry run', () => post(`${url}/api/backup?dry`, zip)],
    ['restore', () => post(`${url}/api/backup`, zip)],
    ['a capture of 600,000 rows', () => post(`${url}/api/captures`, capture)],
    ['a ride of 300,000 rows', () => post(`${url}/api/rides`, ride)],
  ] as const) {
    // A book that was just restored is worked out anew by whoever asks first.
    await (await fetch(`${url}/shape/brake`)).text();
    const before = memory(child.pid!);
    let most = before;
    let done = false;
    const waits: number[] = [];
    const working = work().then(async (answer) => {
      await answer.arrayBuffer();
      done = true;
      return answer.status;
    });
    while (!done) {
      const from = performance.now();
      await (await fetch(`${url}/shape/brake`)).text();
      waits.push(performance.now() - from);
      most = Math.max(most, memory(child.pid!));
      await pause(10);
    }
    waits.sort((a, b) => a - b);
    const at = (p: number) => waits[Math.min(waits.length - 1, Math.floor(p * waits.length))]!.toFixed(0);
    say(
      `a page during ${name} (${await working}): median ${at(0.5)} ms, 99 of 100 within ${at(0.99)} ms, the worst ${at(1)} ms of ${waits.length}; memory ${before} MB before, ${most} MB at most`,
    );
  }
}

/** Ten minutes at 1 kHz with five axes. */
function longCapture(): Uint8Array<ArrayBuffer> {
  const rows = 600_000;
  const column = (k: number) =>
    Float64Array.from({ length: rows }, (_, i) => Math.round(30_000 + 29_000 * Math.sin(i / (900 + k))));
  const capture = {
    device: 'x',
    rangeMin: 0,
    rangeMax: 65_535,
    rateHz: 1000,
    runs: [{ label: 'idle', from: 0, to: rows }],
    guide: null,
  };
  const head = { id: 'long', axis: 'brake', status: 'draft', origin: 'file', fromRow: 0, capture };
  const t = Float64Array.from({ length: rows }, (_, i) => i / 1000);
  return packColumns({
    head,
    columns: {
      t,
      brake: column(0),
      throttle: column(1),
      clutch: column(2),
      steering: column(3),
      handbrake: column(4),
    },
  }) as Uint8Array<ArrayBuffer>;
}

/** Five minutes at 1 kHz with all that a simulated ride has. */
function longRide(): Uint8Array<ArrayBuffer> {
  const rows = 300_000;
  let state = 1;
  const noise = () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
  const column = (size: number) =>
    Float64Array.from({ length: rows }, (_, i) => size * (0.9 * Math.sin(i / 777) ** 2 + 0.05 * noise()));
  const head = { trackId: 'saltmarsh-loop', seed: 1, settings: {}, notes: {} };
  const t_s = Float64Array.from({ length: rows }, (_, i) => i / 1000);
  const columns = {
    t_s,
    speed_mps: column(40),
    steer_deg: column(90),
    throttle: column(1),
    brake: column(1),
    ax_mps2: column(9),
    ay_mps2: column(9),
    yaw_radps: column(1),
    ffb: column(1),
    torque_nm: column(5),
    x_m: column(500),
    y_m: column(500),
  };
  return packColumns({ head, columns }) as Uint8Array<ArrayBuffer>;
}
