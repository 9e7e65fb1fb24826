import { layTrack, type TrackSpec } from '@/core/vehicle/track';

/** A page of a walk, or of a browser. */
interface Page {
  getByLabel(text: string): {
    setInputFiles(files: { name: string; mimeType: string; buffer: Buffer }[]): Promise<unknown>;
    selectOption(value: string): Promise<unknown>;
  };
}

const corner = (straightM: number, radiusM: number, angleDeg: number) => ({
  ...{ straightM, radiusM, angleDeg },
  clothoidM: 8,
});
/** A road that no catalogue knows; its hairpins have 40 m. */
const RING: TrackSpec = {
  ...{ id: 'ring', name: 'Ring', widthM: 8, closed: true },
  segments: [corner(160, 40, 180), corner(60, 90, 30), corner(60, 90, -30), corner(48, 40, 180)],
};

/**
 * Four laps of it as some logger writes them; two of its columns have names that nobody can guess.
 * @param head first line @param strength of the force where it is greatest, 1 is full scale
 */
function ringLog(head: string, strength: number): string {
  const { x, y, curvature, stepM } = layTrack({ ...RING, closed: false });
  const n = x.length;
  const pace = 14;
  const rows = Array.from({ length: 4 * n }, (_, i) => {
    const k = curvature[i % n]!;
    const tight = Math.min(1, Math.abs(k) * 40);
    return [
      (i * stepM) / pace,
      1 + Math.floor(i / n),
      (i % n) * stepM,
      pace * 3.6,
      k * 40 * 60,
      tight > 0.3 ? 0.2 : 1,
      tight > 0.05 && tight < 0.3 ? 0.8 : 0,
      -strength * Math.sign(k) * tight + 0.02 * Math.sin(i),
      k * pace,
      x[i % n]!,
      y[i % n]!,
    ]
      .map((value) => Number(value.toFixed(4)))
      .join(',');
  });
  const names =
    'clock (s),lap,lap dist (m),pace (km/h),steer (deg),throttle,brake,ffb (ratio),yaw rate (rad/s),pos x (m),pos y (m)';
  return [head, names, ...rows].join('\n');
}

/** Gives such logs to Ride, by name and strength. */
export async function giveRingLogs(page: Page, logs: Record<string, number>): Promise<void> {
  await page.getByLabel('Log to take in').setInputFiles(
    Object.entries(logs).map(([name, strength], i) => ({
      name,
      mimeType: 'text/csv',
      buffer: Buffer.from(ringLog(`# started: 2026-01-05T19:${10 + 10 * i}:00Z`, strength)),
    })),
  );
}

/** The same for the first time, up to where they are ready to be kept. */
export async function openRingLogs(page: Page, logs: Record<string, number>): Promise<void> {
  await giveRingLogs(page, logs);
  await page.getByLabel('clock is taken for').selectOption('t_s');
  await page.getByLabel('pace is taken for').selectOption('speed_mps');
}
