/** Whether all is tried that is long by nature (`npm run test:long`), or the share of it that every change is held to. */
export const isLongRun = process.env['PEBBLE_LONG'] === '1';

/** How often something is tried: a few times, and as often as its error rate asks for in the long run. */
export const tries = (few: number, all: number) => (isLongRun ? all : few);

/** What only the long run can tell, by its number of drivers, captures or evenings. */
export const itLong = isLongRun ? it : it.skip;
