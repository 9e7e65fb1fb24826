export const signed = (x: number, digits: number) => {
  // What is rounded to nothing has no side.
  const size = Math.abs(x).toFixed(digits);
  return `${Number(size) === 0 ? '±' : x > 0 ? '+' : '−'}${size}`;
};

const CLOCK = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });

const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long' });

/** "today 19:42", or "3 May 19:42". */
export function moment(atMs: number, nowMs = Date.now()): string {
  const day = DAY.format(atMs) === DAY.format(nowMs) ? 'today' : DAY.format(atMs);
  return `${day} ${CLOCK.format(atMs)}`;
}

/** A lap time as m:ss.hh. */
export function lapTime(seconds: number): string {
  // Rounded before it is cut: 59.999 s are a minute, not sixty seconds of none.
  const hundredths = Math.round(100 * seconds);
  const minutes = Math.floor(hundredths / 6000);
  return `${minutes}:${((hundredths - 6000 * minutes) / 100).toFixed(2).padStart(5, '0')}`;
}

export const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1).replaceAll('_', ' ');

/** A number with a true minus sign, and none before a zero. */
export const plain = (value: number, digits: number) =>
  value
    .toFixed(digits)
    .replace(/^-(?=[0.]+$)/, '')
    .replace('-', '−');

export const decibels = (value: number) => `${plain(value, 1)} dB`;

/** Degrees with a true minus sign. */
export const degrees = (value: number, digits = 0) => `${value.toFixed(digits)}°`.replace('-', '−');

const DATE = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });

export const date = (atMs: number) => DATE.format(atMs);
