const WIDTH = 24;
/** Where nobody looks at a terminal it is said so often. */
const SAID_EVERY = 0.25;

/**
 * A bar on the console: `[######············]  33 %  Packages, 12 s`; where the stream is no terminal, a line every quarter.
 * @param what what is under way
 * @returns `at(share)` draws how much of it is done, 0 … 1; `done()` ends its line
 */
export function progressBar(what, stream = process.stderr) {
  const from = Date.now();
  let last = -1;
  const line = (share) => {
    const full = Math.round(WIDTH * share);
    const bar = '#'.repeat(full) + '·'.repeat(WIDTH - full);
    const percent = String(Math.floor(100 * share)).padStart(3);
    return `[${bar}] ${percent} %  ${what}, ${Math.round((Date.now() - from) / 1000)} s`;
  };
  const at = (share) => {
    // What is done stays done, and only the end is the end.
    const now = Math.max(last, Math.min(share, 1), 0);
    if (stream.isTTY) stream.write(`\r${line(now)}`);
    else if (last < 0 || Math.floor(now / SAID_EVERY) > Math.floor(last / SAID_EVERY))
      stream.write(`${line(now)}\n`);
    last = now;
  };
  at(0);
  return {
    at,
    done() {
      at(1);
      if (stream.isTTY) stream.write('\n');
    },
  };
}
