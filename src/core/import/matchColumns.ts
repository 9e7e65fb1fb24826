import { quantile } from '../numeric/order';
import { CHANNEL_UNITS, unitWritten, type Channel, type ChannelUnit } from './rideUnits';
import type { ForeignColumn, ForeignSheet } from './foreignSheet';

/** What one column is taken for, and how sure that is. */
export interface ColumnMatch {
  channel: Channel | null;
  /** `null` where the channel has units and the file does not tell which: the driver must. */
  unit: string | null;
  /** 0…1. */
  confidence: number;
  /** Why it is doubted, in words; empty where it is not. */
  doubt: string;
}

/** Words in a column's name that speak of a channel; the first that fits wins, the more special ones come first. */
const NAMES: readonly [Channel, RegExp][] = [
  ['wheel_front_mps', /front.*wheel.*(speed|mps)|wheel.*(speed|mps).*front|wheel front mps/],
  ['wheel_rear_mps', /rear.*wheel.*(speed|mps)|wheel.*(speed|mps).*rear|wheel rear mps/],
  ['engine_rpm', /\brpm\b|engine.*speed|revs/],
  ['slip_front_rad', /front.*slip|slip.*front/],
  ['slip_rear_rad', /rear.*slip|slip.*rear/],
  ['yaw_radps', /yaw/],
  ['ay_mps2', /lat(eral)?\b.*(acc|g\b)|acc\w*.*\b(lat(eral)?|y)\b|^(ay|glat|g lat|latg)\b/],
  ['ax_mps2', /long(itudinal)?\b.*(acc|g\b)|acc\w*.*\b(long(itudinal)?|x)\b|^(ax|glong|g long|longg)\b/],
  ['torque_nm', /torque/],
  ['ffb', /ffb|force ?feedback|feedback|wheel force|force/],
  ['steer_deg', /steer|wheel angle|hand ?wheel/],
  ['throttle', /throttle|accelerator|gas/],
  ['handbrake', /hand ?brake|parking/],
  ['brake', /brake/],
  ['clutch', /clutch/],
  ['gear', /gear/],
  ['speed_mps', /speed|velocity|^v\b/],
  ['lap', /^lap( ?(no|number|count|index|#))?$|^lap\b(?!.*(time|dist))/],
  ['distance_m', /dist/],
  ['t_s', /^(t|time|elapsed|seconds?)\b|time ?stamp|elapsed|session time/],
  ['x_m', /^(pos(ition)? ?)?x\b/],
  ['y_m', /^(pos(ition)? ?)?y\b/],
];

const plain = (name: string) =>
  name
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase()
    .replace(/[_\-.]+/g, ' ')
    .trim();

interface Behaviour {
  least: number;
  most: number;
  /** Share of the cells that are numbers. */
  filled: number;
  rises: boolean;
  whole: boolean;
  constant: boolean;
}

function behaviourOf({ values }: ForeignColumn): Behaviour {
  const known = values.filter(Number.isFinite);
  if (known.length === 0) return { least: 0, most: 0, filled: 0, rises: false, whole: false, constant: true };
  let [rises, whole] = [true, true];
  for (let i = 0; i < known.length; i++) {
    if (i > 0 && known[i]! < known[i - 1]!) rises = false;
    if (!Number.isInteger(known[i]!)) whole = false;
  }
  const [least, most] = [quantile(known, 0), quantile(known, 1)];
  return { least, most, filled: known.length / values.length, rises, whole, constant: least === most };
}

/** What a channel's numbers look like in a unit; what does not is doubted. */
const LOOKS: Partial<Record<Channel, (b: Behaviour, unit: ChannelUnit | null) => string>> = {
  t_s: (b) => (b.rises ? '' : 'it does not always rise'),
  lap: (b) => (b.whole && b.least >= 0 ? '' : 'a lap number is whole'),
  gear: (b) => (b.whole && b.most <= 12 ? '' : 'a gear is a small whole number'),
  speed_mps: (b, unit) =>
    b.most * (unit?.factor ?? 1) <= 140 && b.least > -30 ? '' : 'it is faster than any car',
  steer_deg: (b, unit) =>
    Math.max(-b.least, b.most) * (unit?.factor ?? 1) <= 1500 ? '' : 'it turns too far',
  ax_mps2: (b, unit) => (b.most * (unit?.factor ?? 1) < 90 ? '' : 'it pulls too hard'),
  ay_mps2: (b, unit) => (b.most * (unit?.factor ?? 1) < 90 ? '' : 'it pulls too hard'),
};
const SHARES: readonly Channel[] = ['throttle', 'brake', 'clutch', 'handbrake'];

const SURE = 0.95;
const FAIR = 0.7;
const POOR = 0.35;

/** A guess for every column, at most one for a channel; the surer one wins. */
export function matchColumns({ columns }: ForeignSheet): ColumnMatch[] {
  const guesses = columns.map(guess);
  const best = new Map<Channel, number>();
  guesses.forEach(({ channel, confidence }, i) => {
    if (channel === null) return;
    const known = best.get(channel);
    if (known === undefined || confidence > guesses[known]!.confidence) best.set(channel, i);
  });
  return guesses.map((one, i) =>
    one.channel === null || best.get(one.channel) === i
      ? one
      : { channel: null, unit: null, confidence: 0, doubt: '' },
  );
}

function guess(column: ForeignColumn): ColumnMatch {
  const nothing = { channel: null, unit: null, confidence: 0, doubt: '' };
  const behaviour = behaviourOf(column);
  if (behaviour.filled < 0.5) return nothing;
  const name = plain(column.name);
  const channel = NAMES.find(([, pattern]) => pattern.test(name))?.[0] ?? null;
  return channel === null ? nothing : withUnit(channel, column.unit, behaviour);
}

/** The unit of a channel as the file writes it, or as its range allows only one. */
function withUnit(channel: Channel, written: string | null, behaviour: Behaviour): ColumnMatch {
  const said = unitWritten(channel, written);
  const units = CHANNEL_UNITS[channel];
  const fromRange = said ?? unitFromRange(channel, behaviour);
  const unit = fromRange ?? (units.length === 1 ? units[0]! : null);
  const look = LOOKS[channel]?.(behaviour, unit) ?? '';
  const constant = behaviour.constant && channel !== 'lap' && channel !== 'gear' ? 'it never changes' : '';
  const asked = unit === null ? 'the file does not say its unit' : '';
  const doubt = asked || look || constant;
  const confidence = doubt ? POOR : said || units.length === 1 ? SURE : FAIR;
  return { channel, unit: unit?.id ?? null, confidence, doubt };
}

/** Ranges that leave no choice. A force's unit is never guessed. */
function unitFromRange(channel: Channel, { least, most }: Behaviour): ChannelUnit | null {
  const units = CHANNEL_UNITS[channel];
  const by = (id: string) => units.find((one) => one.id === id) ?? null;
  const size = Math.max(-least, most);
  if (SHARES.includes(channel)) return size <= 1.02 ? by('share') : size <= 110 ? by('percent') : null;
  if (channel === 'steer_deg') return size > 50 ? by('deg') : null;
  if (channel === 'speed_mps') return most > 120 ? by('kmh') : null;
  if (channel === 't_s') return most > 20_000 ? by('ms') : by('s');
  if (channel === 'distance_m') return most > 100 ? by('m') : null;
  if (channel === 'ax_mps2' || channel === 'ay_mps2') return size > 4 ? by('mps2') : by('g');
  return null;
}
