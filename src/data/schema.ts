import {
  customType,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  serial,
  text,
  timestamp,
} from 'drizzle-orm/pg-core';

/** Compressed columns of samples, in one value each. */
const bytes = customType<{ data: Uint8Array; driverData: Uint8Array }>({ dataType: () => 'bytea' });
const moment = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' }).notNull();

/** Single facts of the book, such as the combination that is open. */
export const facts = pgTable('facts', {
  key: text('key').primaryKey(),
  value: jsonb('value').notNull(),
});

export const rigs = pgTable('rigs', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  spec: jsonb('spec').notNull(),
  createdAt: moment('created_at'),
});

/** Which combination a row belongs to: columns of their own for every table. */
const inCombination = () => ({
  rigId: text('rig_id')
    .notNull()
    .references(() => rigs.id),
  titleId: text('title_id').notNull(),
  carId: text('car_id').notNull(),
  driver: text('driver').notNull(),
  branch: text('branch').notNull(),
});

export const captures = pgTable(
  'captures',
  {
    id: text('id').primaryKey(),
    rigId: text('rig_id')
      .notNull()
      .references(() => rigs.id),
    axis: text('axis').notNull(),
    driver: text('driver').notNull(),
    madeAt: moment('made_at'),
    /** `draft` while it is being recorded or was broken off, `kept` once it counts. */
    status: text('status').notNull(),
    /** `guided`, or `file` where it was read from one. */
    origin: text('origin').notNull(),
    /** Everything but the samples: device, range, rate, phase runs, guide state. */
    head: jsonb('head').notNull(),
    rows: integer('rows').notNull(),
    /** What the estimators said, and by which version of them; worked out again where that is another one. */
    analysis: jsonb('analysis'),
  },
  (table) => [index('captures_by_rig').on(table.rigId, table.axis, table.madeAt)],
);

/** Samples of a capture in the parts in which they came: a long recording is never sent or written twice. */
export const captureParts = pgTable(
  'capture_parts',
  {
    captureId: text('capture_id')
      .notNull()
      .references(() => captures.id, { onDelete: 'cascade' }),
    fromRow: integer('from_row').notNull(),
    rows: integer('rows').notNull(),
    samples: bytes('samples').notNull(),
  },
  (table) => [primaryKey({ columns: [table.captureId, table.fromRow] })],
);

/** What somebody ticked in pre-flight, and the state of firmware, title and cabling that it was ticked for. */
export const ticks = pgTable(
  'ticks',
  {
    rigId: text('rig_id')
      .notNull()
      .references(() => rigs.id),
    titleId: text('title_id').notNull(),
    itemId: text('item_id').notNull(),
    at: moment('at'),
    state: jsonb('state').notNull(),
  },
  (table) => [primaryKey({ columns: [table.rigId, table.titleId, table.itemId] })],
);

/** Final checks of a rig: signed as settled, or with the reasons why not. */
export const proofs = pgTable(
  'proofs',
  {
    id: text('id').primaryKey(),
    rigId: text('rig_id')
      .notNull()
      .references(() => rigs.id),
    titleId: text('title_id').notNull(),
    driver: text('driver').notNull(),
    at: moment('at'),
    results: jsonb('results').notNull(),
    /** Fingerprint of the captures and settings that it was made with. */
    basis: text('basis').notNull(),
  },
  (table) => [index('proofs_by_scope').on(table.rigId, table.titleId, table.driver, table.at)],
);

export const changes = pgTable(
  'changes',
  {
    seq: serial('seq').primaryKey(),
    id: text('id').notNull().unique(),
    at: moment('at'),
    kind: text('kind').notNull(),
    rigId: text('rig_id')
      .notNull()
      .references(() => rigs.id),
    /** Where it holds: nothing stands for every title, every car, every driver. */
    titleId: text('title_id'),
    carId: text('car_id'),
    driver: text('driver'),
    branch: text('branch').notNull(),
    layer: text('layer'),
    axis: text('axis'),
    field: text('field'),
    /** A number, or the points of a curve; nothing where it is not set. */
    fromValue: jsonb('from_value'),
    toValue: jsonb('to_value'),
    /** Evidence or reason in words. */
    why: text('why').notNull(),
    undoes: text('undoes'),
  },
  (table) => [index('changes_by_rig').on(table.rigId, table.seq)],
);

/** Combinations that have been opened, with where a branch came from. */
export const combinations = pgTable(
  'combinations',
  {
    ...inCombination(),
    openedAt: moment('opened_at'),
    /** When its card was typed in, and for which state: nothing before the first time. */
    typedIn: jsonb('typed_in'),
  },
  (table) => [primaryKey({ columns: [table.rigId, table.titleId, table.carId, table.driver, table.branch] })],
);

/** Titles, cars and roads that the driver described, beyond those of the catalogue. */
export const ownDialects = pgTable('own_dialects', {
  id: text('id').primaryKey(),
  /** `title`, `car` or `track`. */
  kind: text('kind').notNull(),
  at: moment('at'),
  /** As its file has it. */
  document: jsonb('document').notNull(),
});

export const rides = pgTable(
  'rides',
  {
    id: text('id').primaryKey(),
    at: moment('at'),
    ...inCombination(),
    trackId: text('track_id').notNull(),
    seed: integer('seed').notNull(),
    /** Setting values in force when it was driven. */
    settings: jsonb('settings').notNull(),
    mark: text('mark'),
    head: jsonb('head').notNull(),
  },
  (table) => [index('rides_by_scope').on(table.rigId, table.titleId, table.carId, table.driver, table.at)],
);

/**
 * Samples of a ride, one part after the other: each is written in a moment. They come before the row of their ride, so that
 * a long ride is there whole or not at all; those that never got one are swept out when the book is opened. What is packed
 * already is stored as it is (migration 0002): to press it once more took a fifth to a third of the time of writing it.
 */
export const rideParts = pgTable(
  'ride_parts',
  {
    rideId: text('ride_id').notNull(),
    part: integer('part').notNull(),
    samples: bytes('samples').notNull(),
  },
  (table) => [primaryKey({ columns: [table.rideId, table.part] })],
);

/** Questions that were asked of settings, each with its plan: what is ridden, in which order, what it is for. */
export const experiments = pgTable(
  'experiments',
  {
    id: text('id').primaryKey(),
    at: moment('at'),
    ...inCombination(),
    trackId: text('track_id').notNull(),
    plan: jsonb('plan').notNull(),
    /** `open`, `over`, or `given up`. */
    state: text('state').notNull(),
    /** `kept` or `put back` once that was decided. */
    decision: text('decision'),
  },
  (table) => [
    index('experiments_by_scope').on(table.rigId, table.titleId, table.carId, table.driver, table.at),
  ],
);

/** The rides of an experiment as they were booked: those that count, and those that went wrong. */
export const trials = pgTable(
  'trials',
  {
    id: text('id').primaryKey(),
    experimentId: text('experiment_id')
      .notNull()
      .references(() => experiments.id, { onDelete: 'cascade' }),
    place: integer('place').notNull(),
    at: moment('at'),
    outcome: text('outcome').notNull(),
    /** The ride on the trail, where it was logged. */
    rideId: text('ride_id'),
    /** What was loaded, of a search: it leads from ride to ride. */
    values: jsonb('values'),
    /** Firmware and version of the title as they were then. */
    software: text('software').notNull(),
  },
  (table) => [index('trials_by_experiment').on(table.experimentId, table.place)],
);

/** What was said of the pair, or the ride, at a place. */
export const answers = pgTable(
  'answers',
  {
    experimentId: text('experiment_id')
      .notNull()
      .references(() => experiments.id, { onDelete: 'cascade' }),
    place: integer('place').notNull(),
    at: moment('at'),
    said: jsonb('said').notNull(),
  },
  (table) => [primaryKey({ columns: [table.experimentId, table.place] })],
);

/** How a ride was rated, one dimension a row, 1 to 7. */
export const ratings = pgTable(
  'ratings',
  {
    experimentId: text('experiment_id')
      .notNull()
      .references(() => experiments.id, { onDelete: 'cascade' }),
    place: integer('place').notNull(),
    dimension: text('dimension').notNull(),
    rating: integer('rating').notNull(),
  },
  (table) => [primaryKey({ columns: [table.experimentId, table.place, table.dimension] })],
);

/**
 * The orders of a blind test that is not over. No backup and no export holds them: who could read them would not be blind. A
 * book that is restored has such a test as given up.
 */
export const sealedOrders = pgTable('sealed_orders', {
  experimentId: text('experiment_id')
    .primaryKey()
    .references(() => experiments.id, { onDelete: 'cascade' }),
  orders: jsonb('orders').notNull(),
  salt: text('salt').notNull(),
  /** What the helper has loaded: nothing, the neutral values, or the ride's. */
  loaded: jsonb('loaded'),
  /** The files of both sides, where the driver loads them alone. */
  files: jsonb('files'),
});
