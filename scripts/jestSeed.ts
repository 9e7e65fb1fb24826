import fc from 'fast-check';

/** The same for every change; a fresh one, which it says, in the long run (scripts/testLong.mjs). */
fc.configureGlobal({ seed: Number(process.env['PEBBLE_SEED'] ?? 7) });
