/** Made-up logs in the shapes that people bring: for trying the import, and to prove it. */
export interface SampleLog {
  id: string;
  name: string;
  /** What is particular about it. */
  about: string;
  text(): string;
}

interface Row {
  t: number;
  lap: number;
  distance: number;
  total: number;
  speed: number;
  steer: number;
  throttle: number;
  brake: number;
  lateral: number;
  force: number;
}

const LAP_M = 900;
const LAPS = 3;
const SPEED = 30;

/** Three laps of a ring with a corner every three hundred metres; the force clips where it is tightest. */
function rows(rateHz: number): Row[] {
  const count = Math.round((LAPS * LAP_M * rateHz) / SPEED);
  return Array.from({ length: count }, (_, i) => {
    const t = i / rateHz;
    const total = SPEED * t;
    const distance = total % LAP_M;
    const corner = Math.max(0, Math.sin((2 * Math.PI * distance) / 300)) ** 2;
    const speed = SPEED - 8 * corner;
    return {
      t,
      lap: Math.floor(total / LAP_M) + 1,
      distance,
      total,
      speed,
      steer: 120 * corner,
      throttle: corner > 0.2 ? 0.2 : 1,
      brake: corner > 0.1 && corner < 0.2 ? 0.7 : 0,
      lateral: 9 * corner,
      force: -1.04 * corner + 0.02 * Math.sin(40 * t),
    };
  });
}

const lines = (...parts: string[][]) => `${parts.map((cells) => cells.join('\n')).join('\n')}\n`;

export const SAMPLE_LOGS: readonly SampleLog[] = [
  {
    id: 'plain',
    name: 'plain.csv',
    about: 'commas, points, units in brackets',
    text: () =>
      lines(
        [
          'Time (s),Lap,Distance (m),Speed (km/h),Steering angle (deg),Throttle (%),Brake (%),Wheel force (1)',
        ],
        rows(50).map((r) =>
          [
            r.t.toFixed(2),
            r.lap,
            r.distance.toFixed(2),
            (3.6 * r.speed).toFixed(2),
            r.steer.toFixed(2),
            (100 * r.throttle).toFixed(0),
            (100 * r.brake).toFixed(0),
            r.force.toFixed(4),
          ].join(','),
        ),
      ),
  },
  {
    id: 'comma-decimals',
    name: 'comma-decimals.csv',
    about: 'semicolons, decimal commas, a row of units, a preamble',
    text: () =>
      lines(
        ['Ride of the Late shift', 'Car;Marl 850', ''],
        ['elapsed;lap no;total distance;velocity;wheel angle;gas;brake pedal;lateral acceleration'],
        ['s;;m;m/s;rad;%;%;g'],
        rows(20).map((r) =>
          [
            r.t.toFixed(3),
            String(r.lap),
            r.total.toFixed(2),
            r.speed.toFixed(3),
            ((r.steer * Math.PI) / 180).toFixed(4),
            (100 * r.throttle).toFixed(1),
            (100 * r.brake).toFixed(1),
            (r.lateral / 9.80665).toFixed(4),
          ]
            .join(';')
            .replaceAll('.', ','),
        ),
      ),
  },
  {
    id: 'tabs',
    name: 'tabs.tsv',
    about: 'tabs, milliseconds, a force whose unit is not said',
    text: () =>
      lines(
        ['timestamp\tspeed\tsteer\tffb\tlap'],
        rows(100).map((r) =>
          [
            (1000 * r.t + 52_000_000).toFixed(0),
            (2.23694 * r.speed).toFixed(2),
            r.steer.toFixed(2),
            (100 * r.force).toFixed(2),
            r.lap,
          ].join('\t'),
        ),
      ),
  },
  {
    id: 'resets',
    name: 'resets.csv',
    about: 'a clock that starts again, gaps, empty cells, no force',
    text: () => {
      const all = rows(20);
      const cell = (r: Row, i: number) =>
        [
          (i < 200 ? r.t : r.t - 10).toFixed(2),
          i % 37 === 5 ? '' : (r.speed * 3.6).toFixed(1),
          r.brake.toFixed(2),
          r.throttle.toFixed(2),
          r.lap,
        ].join('|');
      return lines(
        ['t|speed kmh|brake|throttle|lap'],
        all.flatMap((r, i) => (i > 900 && i < 950 ? [] : [cell(r, i)])),
      );
    },
  },
  {
    id: 'no-time',
    name: 'no-time.csv',
    about: 'broken: there is no time in it',
    text: () =>
      lines(
        ['speed (km/h),brake (%)'],
        rows(10).map((r) => `${(3.6 * r.speed).toFixed(1)},${(100 * r.brake).toFixed(0)}`),
      ),
  },
  {
    id: 'words',
    name: 'words.csv',
    about: 'broken: words where numbers should be',
    text: () =>
      'It was a good evening on the ring.\nThe brake felt long, the wheel light.\nNo numbers, sorry.\n',
  },
];
