import { SURFACES } from '@/core/rides/rideLog';
import type { GhostPlace } from '@/core/driving/ghost';
import type { LiveFrame } from '@/core/driving/liveDrive';
import type { SpeedUnit } from '@/core/text/speedUnit';
import { inUnit, speedWord } from '@/core/text/speedUnit';
import { trackIndex, type Track } from '@/core/vehicle/track';
import type { Colours } from '@/ui/LiveCanvas';
import { horizonOf, project, roadAhead, type Eye, type RoadStrip, type Screen } from './roadAhead';

/** How finely the landscape is drawn: what a slow machine can spare is left out first. */
export interface Quality {
  farM: number;
  stones: boolean;
  bands: boolean;
}

/** From the fullest down; each is what a machine that does not keep up falls back to. */
export const QUALITIES: readonly Quality[] = [
  { farM: 320, stones: true, bands: true },
  { farM: 200, stones: true, bands: false },
  { farM: 120, stones: false, bands: false },
];

const EYE_M = 1.15;
/** Eyes follow the way that the car goes, more than its nose. */
const FOLLOWS = 0.6;
const LOOKS_DOWN = 0.035;
const FOCAL = 0.74;
/** Grass and road change their tone every so many metres: by it speed is seen. */
const BAND_M = 12;
const STONE_EVERY_M = 24;
const STONE_M = 0.5;

/** Where the driver's eye is in a moment. */
function eyeOf(frame: LiveFrame): Eye {
  return {
    x: frame.x,
    y: frame.y,
    z: frame.z + EYE_M,
    yaw: frame.heading + FOLLOWS * frame.drift,
    pitch: Math.asin(frame.grade) - LOOKS_DOWN,
  };
}

type Context = CanvasRenderingContext2D;

/** The landscape and what hands, feet and tyres do, drawn where the eyes are. */
export function drawDrive(
  context: Context,
  width: number,
  height: number,
  colour: Colours,
  {
    frame,
    track,
    quality,
    unit,
    lockDeg,
    isBlind,
    ghost,
  }: {
    frame: LiveFrame;
    track: Track;
    quality: Quality;
    unit: SpeedUnit;
    lockDeg: number;
    /** The road alone: neither hands and feet nor figures. */
    isBlind: boolean;
    /** An earlier lap that is driven along with; `null` where there is none. */
    ghost: GhostPlace | null;
  },
): void {
  const screen: Screen = { width, height, focal: FOCAL * width };
  const eye = eyeOf(frame);
  const horizon = horizonOf(eye, screen);
  sky(context, screen, horizon, eye.yaw, colour);
  const strips = roadAhead(track, eye, screen, frame.distanceM, quality.farM);
  const nearest = strips.at(-1);
  if (nearest) toTheFeet(nearest, height);
  // All of the ground first: where the road turns back, what lies beside its near part would cover its far one.
  if (quality.bands) for (const strip of strips) paintGround(context, strip, colour);
  for (const strip of strips) paintStrip(context, strip, colour);
  paintLines(context, strips, colour);
  if (quality.stones) stones(context, track, eye, screen, frame.distanceM, quality.farM, colour);
  if (isBlind) return;
  if (ghost) paintGhost(context, ghost, track, eye, screen, colour);
  aim(context, frame, screen, horizon, lockDeg, colour);
  figures(context, frame, screen, unit, colour);
}

function sky(context: Context, { width, height }: Screen, horizon: number, yaw: number, colour: Colours) {
  context.fillStyle = colour('ground');
  context.fillRect(0, 0, width, Math.max(0, horizon));
  context.fillStyle = colour('drive-grass');
  context.fillRect(0, Math.max(0, horizon), width, height);
  // Two lines of hills that turn with the eyes: by them it is seen which way the car looks.
  for (const [tone, rise, waves, shift] of [
    ['drive-hills-far', 0.075, 5, 0],
    ['drive-hills-near', 0.04, 9, 1.7],
  ] as const) {
    context.fillStyle = colour(tone);
    context.beginPath();
    context.moveTo(0, horizon + 1);
    for (let x = 0; x <= width; x += 16) {
      const angle = yaw - Math.atan((x - width / 2) / (FOCAL * width));
      const wave =
        0.55 + 0.3 * Math.sin(waves * angle + shift) + 0.15 * Math.sin(2.7 * waves * angle + 2 * shift);
      context.lineTo(x, horizon - rise * height * Math.max(0, wave));
    }
    context.lineTo(width, horizon + 1);
    context.fill();
  }
}

function polygon(context: Context, corners: readonly [number, number][]) {
  context.beginPath();
  corners.forEach(([x, y], i) => (i === 0 ? context.moveTo(x, y) : context.lineTo(x, y)));
  context.closePath();
  context.fill();
}

/** So far the seam of two strips is painted over, pixels. */
const SEAM = 0.8;
const DASH_EVERY_M = 12;
const DASH_M = 3;

/** What is too near to be projected goes on straight to the lower edge of the picture. */
function toTheFeet(strip: RoadStrip, height: number) {
  for (const corners of [strip.road, strip.ground, strip.kerbStrip]) {
    if (!corners) continue;
    const [nearLeft, nearRight, farRight, farLeft] = corners as Quad;
    for (const [near, far] of [
      [nearLeft, farLeft],
      [nearRight, farRight],
    ] as const) {
      const down = near[1] - far[1];
      if (down < 1 || near[1] >= height) continue;
      near[0] += ((near[0] - far[0]) / down) * (height - near[1]);
      near[1] = height;
    }
  }
}

type Quad = [[number, number], [number, number], [number, number], [number, number]];

const isOddBand = ({ atM }: RoadStrip) => Math.floor(atM / BAND_M) % 2 !== 0;

function paintQuad(context: Context, corners: readonly [number, number][], tone: string) {
  const [a, b, c, d] = corners as Quad;
  context.fillStyle = tone;
  polygon(context, [a, b, [c[0], c[1] - SEAM], [d[0], d[1] - SEAM]]);
}

function paintGround(context: Context, strip: RoadStrip, colour: Colours) {
  if (strip.ground && isOddBand(strip)) paintQuad(context, strip.ground, colour('drive-grass-band'));
}

function paintStrip(context: Context, strip: RoadStrip, colour: Colours) {
  const isOdd = isOddBand(strip);
  const paint = (corners: readonly [number, number][], tone: string) =>
    paintQuad(context, corners, colour(tone));
  const isRipple = strip.isBumpy && Math.floor(strip.atM / 2) % 2 === 0;
  paint(strip.road, isRipple ? 'drive-bump' : isOdd ? 'drive-road-band' : 'drive-road');
  if (strip.kerbStrip) paint(strip.kerbStrip, Math.floor(strip.atM / 2) % 2 === 0 ? 'rust' : 'drive-edge');
}

/** Over the road: its edges, always readable, and dashes by which speed is seen. */
function paintLines(context: Context, strips: readonly RoadStrip[], colour: Colours) {
  context.strokeStyle = colour('drive-edge');
  context.lineCap = 'round';
  for (const { road, atM } of strips) {
    const [nearLeft, nearRight, farRight, farLeft] = road as Quad;
    const wide = Math.abs(nearRight[0] - nearLeft[0]);
    context.lineWidth = Math.min(7, Math.max(1, 0.006 * wide));
    context.beginPath();
    context.moveTo(...nearLeft);
    context.lineTo(...farLeft);
    context.moveTo(...nearRight);
    context.lineTo(...farRight);
    if (((atM % DASH_EVERY_M) + DASH_EVERY_M) % DASH_EVERY_M < DASH_M) {
      context.moveTo((nearLeft[0] + nearRight[0]) / 2, (nearLeft[1] + nearRight[1]) / 2);
      context.lineTo((farLeft[0] + farRight[0]) / 2, (farLeft[1] + farRight[1]) / 2);
    }
    context.stroke();
  }
}

/** Pebbles along the road; those on the outside of a bend are larger: the next bend is seen before it comes. */
function stones(
  context: Context,
  track: Track,
  eye: Eye,
  screen: Screen,
  fromM: number,
  farM: number,
  colour: Colours,
) {
  const n = track.x.length;
  const first = Math.floor(fromM / STONE_EVERY_M) * STONE_EVERY_M;
  for (let at = first + farM; at >= first; at -= STONE_EVERY_M) {
    const i = Math.round(at / track.stepM);
    if (!track.spec.closed && i >= n) continue;
    const k = ((i % n) + n) % n;
    const bend = track.curvature[k]!;
    for (const side of [1, -1]) {
      const isOutside = Math.abs(bend) > 0.004 && Math.sign(bend) !== side;
      const aside = side * (track.spec.widthM / 2 + 1.2);
      const [x, y] = [
        track.x[k]! - aside * Math.sin(track.heading[k]!),
        track.y[k]! + aside * Math.cos(track.heading[k]!),
      ];
      const foot = project(eye, screen, x, y, track.z[k]!);
      const top = project(eye, screen, x, y, track.z[k]! + STONE_M * (isOutside ? 2.4 : 1));
      if (!foot || !top) continue;
      const size = foot[1] - top[1];
      if (size < 1.5) continue;
      context.fillStyle = colour(isOutside ? 'drive-stone-bend' : 'drive-stone');
      context.beginPath();
      context.ellipse(foot[0], foot[1] - size / 2, 0.62 * size, size / 2, 0, 0, 2 * Math.PI);
      context.fill();
    }
  }
}

/** A car's width, length and height, m. */
const GHOST_M = { wide: 1.8, long: 4.2, high: 1.2 };

/** The earlier lap: the outline of a car, dashed, as an old setting is. */
function paintGhost(
  context: Context,
  { atM, x, y, heading }: GhostPlace,
  track: Track,
  eye: Eye,
  screen: Screen,
  colour: Colours,
) {
  const z = track.z[trackIndex(track, atM)]!;
  const [cos, sin] = [Math.cos(heading), Math.sin(heading)];
  const at = (along: number, aside: number, up: number) =>
    project(eye, screen, x + along * cos - aside * sin, y + along * sin + aside * cos, z + up);
  const [half, side] = [GHOST_M.long / 2, GHOST_M.wide / 2];
  const face = (along: number) =>
    [
      at(along, side, 0),
      at(along, side, GHOST_M.high),
      at(along, -side, GHOST_M.high),
      at(along, -side, 0),
    ] as const;
  const [back, front] = [face(-half), face(half)];
  // One that is beside the eyes would be drawn over many screens, dash by dash.
  const isSeen = (corner: readonly [number, number] | null) =>
    corner !== null && Math.abs(corner[0]) < 2 * screen.width && Math.abs(corner[1]) < 2 * screen.height;
  if (![...back, ...front].every(isSeen)) return;
  context.strokeStyle = colour('force');
  context.lineWidth = 2.5;
  context.setLineDash([7, 5]);
  for (const line of [
    [...back, back[0]],
    [back[1], front[1], front[2], back[2]],
  ]) {
    context.beginPath();
    line.forEach((corner, i) => (i === 0 ? context.moveTo(...corner!) : context.lineTo(...corner!)));
    context.stroke();
  }
  context.setLineDash([]);
}

const BAR_HEIGHT = 0.13;
const BAR_WIDTH = 7;
const BARS_APART = 0.13;

/** What hands and feet do, by the horizon: two bars, where the hands point, and where the car goes. */
function aim(
  context: Context,
  frame: LiveFrame,
  { width, height, focal }: Screen,
  horizon: number,
  lockDeg: number,
  colour: Colours,
) {
  const middle = width / 2;
  const tall = BAR_HEIGHT * height;
  const bar = (x: number, share: number, tone: string) => {
    context.fillStyle = colour('ink');
    context.globalAlpha = 0.16;
    context.fillRect(x, horizon - tall / 2, BAR_WIDTH, tall);
    context.globalAlpha = 1;
    context.fillStyle = colour(tone);
    const filled = tall * Math.min(1, Math.max(0, share));
    context.fillRect(x, horizon + tall / 2 - filled, BAR_WIDTH, filled);
  };
  bar(middle - BARS_APART * width - BAR_WIDTH, frame.brake, 'brake');
  bar(middle + BARS_APART * width, frame.throttle, 'throttle');
  // The hands, over their lock: a thin line with a tick on it.
  const reach = BARS_APART * width * 0.8;
  const half = (lockDeg * Math.PI) / 360;
  context.strokeStyle = colour('muted');
  context.lineWidth = 1;
  context.beginPath();
  context.moveTo(middle - reach, horizon);
  context.lineTo(middle + reach, horizon);
  context.stroke();
  const hand = middle - reach * Math.min(1, Math.max(-1, frame.hand / half));
  context.fillStyle = colour('steering');
  context.fillRect(hand - 3, horizon - 11, 6, 22);
  // Where the car goes against where it looks: apart from the middle it slides.
  const goes = middle - focal * Math.tan((1 - FOLLOWS) * frame.drift);
  context.strokeStyle = colour('force');
  context.lineWidth = 3;
  context.beginPath();
  context.arc(goes, horizon, 9, 0, 2 * Math.PI);
  context.stroke();
}

function figures(
  context: Context,
  frame: LiveFrame,
  { width, height }: Screen,
  unit: SpeedUnit,
  colour: Colours,
) {
  const y = height - 30;
  context.fillStyle = colour('ink');
  context.textAlign = 'center';
  context.font = '600 44px "Atkinson Hyperlegible Next Variable", sans-serif';
  const speed = Math.round(inUnit(Math.abs(frame.speedMps), unit));
  context.fillText(`${speed}`, width / 2, y - 22);
  context.font = '400 17px "Atkinson Hyperlegible Next Variable", sans-serif';
  const gear = frame.gear === 0 ? 'N' : frame.gear < 0 ? 'R' : String(frame.gear);
  const under = frame.surface === SURFACES.indexOf('offtrack') ? ' · off the road' : '';
  context.fillText(
    `${speedWord(unit)} · gear ${gear} · ${Math.round(frame.rpm / 50) * 50} rpm${under}`,
    width / 2,
    y,
  );
}
