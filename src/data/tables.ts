import {
  captureParts,
  captures,
  changes,
  combinations,
  facts,
  ownDialects,
  proofs,
  rideParts,
  rides,
  rigs,
  ticks,
} from './schema';

/** Every table of a book, each after those that it points to. A new one is an entry here. */
export const TABLES = [
  rigs,
  facts,
  combinations,
  ticks,
  proofs,
  changes,
  ownDialects,
  captures,
  captureParts,
  rides,
  rideParts,
] as const;
