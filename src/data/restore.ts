import { strFromU8, unzip, type UnzipFileInfo } from 'fflate';
import { AXIS_NAMES } from '@/core/axes/recording';
import { readBookJson, type BookDocument } from '@/core/formats/bookJson';
import { readCaptureCsv } from '@/core/formats/captureCsv';
import { readRideCsv } from '@/core/formats/rideCsv';
import { describeProblem, fail, succeed, type Outcome, type Problem } from '@/core/problem';
import { rigSpecSchema } from '@/core/rig/rigSpec';
import { BOOK_FILE } from './backup';
import { forgetTimes } from './bookTime';
import { captureHeadSchema } from './captures';
import { forgetChanges } from './changes';
import type { Database } from './openBook';
import { storeColumns } from './samples';
import {
  captureParts,
  captures,
  changes,
  combinations,
  facts,
  ownDialects,
  proofs,
  rides,
  rigs,
  ticks,
} from './schema';

/** A backup that has been read whole and found sound: it can be put in the place of the book. */
export interface ReadBackup {
  document: BookDocument;
  samples: Map<string, Uint8Array>;
}

const MOST_FILES = 20_000;
const MOST_BYTES = 2 * 1024 ** 3;
/** Text of numbers packs tenfold; a thousandfold is a trap. */
const MOST_RATIO = 250;
const SMALL_BYTES = 1024 * 1024;
const NAMES = /^(book\.json|captures\/[^/\\]+\.capture\.csv|rides\/[^/\\]+\.ride\.csv)$/;

const problem = (code: string, message: string, remedy: string, column?: string): Problem => ({
  code,
  message,
  place: column ? { column } : {},
  remedy,
});

/** Looks at what an archive announces, before anything of it is unpacked. */
function archiveFault() {
  let files = 0;
  let bytes = 0;
  return ({ name, size, originalSize }: UnzipFileInfo): Problem | null => {
    files++;
    bytes += originalSize;
    const isPath = name.split(/[/\\]/).includes('..') || name.startsWith('/') || /^[a-z]:/i.test(name);
    if (isPath)
      return problem(
        'path-outside',
        `"${name}" would lie outside the archive.`,
        'This is no backup of ours: do not open it.',
      );
    if (!NAMES.test(name))
      return problem(
        'unknown-file',
        `"${name}" does not belong in a backup.`,
        'Choose the .zip as it was saved, unchanged.',
      );
    if (
      files > MOST_FILES ||
      bytes > MOST_BYTES ||
      (originalSize > SMALL_BYTES && originalSize > MOST_RATIO * size)
    )
      return problem(
        'explodes',
        `"${name}" would unpack to ${Math.round(bytes / 1024 ** 2)} MB and more.`,
        'This is no backup of ours: do not open it.',
      );
    return null;
  };
}

function unpack(bytes: Uint8Array): Promise<Outcome<Record<string, Uint8Array>>> {
  const look = archiveFault();
  let fault: Problem | null = null;
  return new Promise((resolve) => {
    const refuse = () =>
      resolve(
        fail(
          fault ??
            problem(
              'not-a-zip',
              'The file is not a whole .zip.',
              'Choose the .zip as it was saved, unchanged.',
            ),
        ),
      );
    try {
      unzip(
        bytes,
        {
          filter: (file) => {
            fault ??= look(file);
            return fault === null;
          },
        },
        (error, files) => (error || fault ? refuse() : resolve(succeed(files))),
      );
    } catch {
      refuse();
    }
  });
}

/** Reads a backup whole: every file, every row. Nothing of the book is touched. */
export async function readBackup(bytes: Uint8Array): Promise<Outcome<ReadBackup>> {
  const unpacked = await unpack(bytes);
  if (!unpacked.ok) return unpacked;
  const files = unpacked.value;
  const book = files[BOOK_FILE];
  if (!book)
    return fail(
      problem('no-book', `There is no ${BOOK_FILE} in it.`, 'Choose a .zip that Back up has saved.'),
    );
  const document = readBookJson(strFromU8(book));
  if (!document.ok) return document;
  const problems: Problem[] = [...looseEnds(document.value)];
  const samples = new Map<string, Uint8Array>();
  for (const { file, head, rows } of document.value.captures) {
    const text = files[file];
    const parsedHead = captureHeadSchema.safeParse(head);
    if (!text || !parsedHead.success) {
      problems.push(
        problem('missing-file', `${file} is missing or not whole.`, 'Choose an unchanged backup.', file),
      );
      continue;
    }
    const read = rows === 0 ? null : readCaptureCsv(strFromU8(text));
    if (read && !read.ok) problems.push(...read.problems.map((p) => inFile(file, p)));
    else if ((read?.value.t.length ?? 0) !== rows)
      problems.push(
        problem(
          'other-length',
          `${file} has ${read?.value.t.length ?? 0} rows, ${rows} are announced.`,
          'Choose an unchanged backup.',
          file,
        ),
      );
    else if (read) {
      const axes = Object.fromEntries(
        AXIS_NAMES.flatMap((axis) => (read.value.axes[axis] ? [[axis, read.value.axes[axis]]] : [])),
      ) as Record<string, Float64Array>;
      samples.set(file, storeColumns({ t: read.value.t, ...axes }));
    }
    await breath();
  }
  for (const { file } of document.value.rides) {
    const text = files[file];
    if (!text) {
      problems.push(problem('missing-file', `${file} is missing.`, 'Choose an unchanged backup.', file));
      continue;
    }
    const read = readRideCsv(strFromU8(text));
    if (!read.ok) problems.push(...read.problems.map((p) => inFile(file, p)));
    else samples.set(file, storeColumns(read.value.columns as Record<string, Float64Array>));
    await breath();
  }
  return problems.length > 0 ? fail(...problems.slice(0, 5)) : succeed({ document: document.value, samples });
}

/** Other requests get their turn between two files. */
const breath = () => new Promise((resolve) => setImmediate(resolve));

function inFile(file: string, p: Problem): Problem {
  return { ...p, message: `${file}, ${describeProblem({ ...p, remedy: '' }).trim()}`, place: {} };
}

/** Rows that point to a rig which is not there, and rigs that cannot be read. */
function looseEnds({ rigs: known, ...document }: BookDocument): Problem[] {
  const ids = new Set(known.map((rig) => rig.id));
  const broken = known.flatMap((rig, i) => {
    const read = rigSpecSchema.safeParse(rig.spec);
    const issue = read.success ? null : read.error.issues[0];
    return issue
      ? [
          problem(
            'bad-rig',
            `${rig.name}: ${issue.message}.`,
            'Choose an unchanged backup.',
            `rigs[${i}].spec.${issue.path.join('.')}`,
          ),
        ]
      : [];
  });
  const tables = ['combinations', 'ticks', 'proofs', 'changes', 'captures', 'rides'] as const;
  const loose = tables.flatMap((table) =>
    document[table]
      .map((row, i) => ({ row, i }))
      .filter(({ row }) => !ids.has(row.rigId))
      .map(({ row, i }) =>
        problem(
          'no-such-rig',
          `It belongs to the rig "${row.rigId}", which is not in the backup.`,
          'Choose an unchanged backup.',
          `${table}[${i}].rigId`,
        ),
      ),
  );
  return [...broken, ...loose];
}

const date = (atMs: number) => new Date(atMs);
const CHUNK = 500;

/**
 * Puts a backup in the place of the book: all of it, or, where anything fails, nothing.
 * @param look reads the book as it would be; where it throws, everything stays as it was
 */
export async function restoreBook(
  db: Database,
  { document, samples }: ReadBackup,
  look?: (restored: Database) => Promise<void>,
): Promise<void> {
  await db.transaction(async (tx) => {
    for (const table of [
      captureParts,
      captures,
      rides,
      changes,
      proofs,
      ticks,
      combinations,
      ownDialects,
      facts,
      rigs,
    ])
      await tx.delete(table);
    const insert = async <T>(rows: T[], write: (some: T[]) => Promise<unknown>) => {
      for (let i = 0; i < rows.length; i += CHUNK) await write(rows.slice(i, i + CHUNK));
    };
    await insert(document.rigs, (some) =>
      tx
        .insert(rigs)
        .values(some.map(({ createdAtMs, ...row }) => ({ ...row, createdAt: date(createdAtMs) }))),
    );
    await insert(document.facts, (some) => tx.insert(facts).values(some));
    await insert(document.combinations, (some) =>
      tx
        .insert(combinations)
        .values(some.map(({ openedAtMs, ...row }) => ({ ...row, openedAt: date(openedAtMs) }))),
    );
    await insert(document.ticks, (some) =>
      tx.insert(ticks).values(some.map(({ atMs, ...row }) => ({ ...row, at: date(atMs) }))),
    );
    await insert(document.proofs, (some) =>
      tx.insert(proofs).values(some.map(({ atMs, ...row }) => ({ ...row, at: date(atMs) }))),
    );
    await insert(document.changes, (some) =>
      tx.insert(changes).values(some.map(({ atMs, ...row }) => ({ ...row, at: date(atMs) }))),
    );
    await insert(document.ownDialects, (some) =>
      tx.insert(ownDialects).values(some.map(({ atMs, ...row }) => ({ ...row, at: date(atMs) }))),
    );
    for (const { file, madeAtMs, ...row } of document.captures) {
      await tx.insert(captures).values({ ...row, madeAt: date(madeAtMs) });
      const stored = samples.get(file);
      if (stored)
        await tx
          .insert(captureParts)
          .values({ captureId: row.id, fromRow: 0, rows: row.rows, samples: stored });
    }
    for (const { file, atMs, ...row } of document.rides)
      await tx.insert(rides).values({ ...row, at: date(atMs), samples: samples.get(file)! });
    await look?.(tx);
  });
  forgetChanges(db);
  forgetTimes(db);
}
