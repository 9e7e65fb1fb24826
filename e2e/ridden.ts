/** A simulated ride of some laps is waited for so long: how quick it is is the bench's question, not a browser test's. */
export const RIDDEN_MS = 180_000;
