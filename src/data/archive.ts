import { createWriteStream } from 'node:fs';
import { deflateRawSync } from 'node:zlib';
import { strToU8, Zip, ZipPassThrough } from 'fflate';
import { fromBuffer, open as openZip, type Entry, type ZipFile } from 'yauzl';
import { fail, succeed, type Outcome, type Problem } from '@/core/problem';
import { quoted } from '@/core/text/line';

const LEVEL = 4;
const DEFLATED = 8;
const MOST_FILES = 50_000;
const MOST_BYTES = 4 * 1024 ** 3;
/** Text of numbers packs tenfold; a thousandfold is a trap. */
const MOST_RATIO = 250;
const SMALL_BYTES = 1024 * 1024;
/** No recording of ours, written out as text, is larger. */
const LARGEST_FILE_BYTES = 256 * 1024 * 1024;
const NAMES = /^(book\.json|captures\/[A-Za-z0-9._-]+\.capture\.csv|rides\/[A-Za-z0-9._-]+\.ride\.csv)$/;

const problem = (code: string, message: string, remedy: string, column?: string): Problem => ({
  code,
  message,
  place: column ? { column } : {},
  remedy,
});
const UNCHANGED = 'Choose the .zip as it was saved, unchanged.';
const NOT_OURS = 'This is no backup of ours: do not open it.';

/** One file of an archive, packed by the machine's own deflate: five times as fast as the same in JavaScript. */
class PackedFile extends ZipPassThrough {
  constructor(name: string) {
    super(name);
    this.compression = DEFLATED;
  }

  /** A file is pushed whole, so that what is packed here is all of it. */
  protected override process(whole: Uint8Array, isLast: boolean) {
    this.ondata(null, deflateRawSync(whole, { level: LEVEL }), isLast);
  }
}

/** Writes a `.zip` file by file; one text at a time is in memory. */
export function archiveWriter(path: string) {
  const out = createWriteStream(path);
  let failed: Error | null = null;
  let wake = () => undefined as void;
  out.on('drain', () => wake());
  out.on('error', (error) => {
    failed ??= error;
    wake();
  });
  const zip = new Zip((error, chunk) => {
    failed ??= error;
    if (!failed) out.write(chunk);
  });
  /** The disk takes its time: what is not written yet is waited for, so that it does not pile up. */
  const written = async () => {
    if (!failed && out.writableNeedDrain) await new Promise<void>((resolve) => (wake = resolve));
    if (failed) throw failed;
  };
  return {
    async add(name: string, text: string) {
      const file = new PackedFile(name);
      zip.add(file);
      file.push(strToU8(text), true);
      await written();
    },
    async finish() {
      zip.end();
      await written();
      await new Promise<void>((resolve) => {
        out.once('close', resolve);
        out.end();
      });
      if (failed) throw failed;
    },
  };
}

/** An archive whose list of files has been looked through; nothing of it is unpacked yet. */
export interface OpenArchive {
  names: readonly string[];
  /** One file of it as text, counted while it is unpacked: what its list says of its size is only believed where it is true. */
  read(name: string): Promise<Outcome<string>>;
  close(): void;
}

/** Opens a `.zip` and looks at what it announces, before anything of it is unpacked. */
export async function openArchive(source: string | Buffer): Promise<Outcome<OpenArchive>> {
  let zip: ZipFile;
  try {
    zip = await opened(source);
  } catch {
    return fail(problem('not-a-zip', 'The file is not a whole .zip.', UNCHANGED));
  }
  const entries = new Map<string, Entry>();
  try {
    const fault = await list(zip, entries);
    if (fault) {
      zip.close();
      return fail(fault);
    }
  } catch (error) {
    zip.close();
    const isPath = /invalid relative path|absolute path|invalid characters in fileName/i.test(String(error));
    return fail(
      isPath
        ? problem('path-outside', 'A file of it would lie outside the archive.', NOT_OURS)
        : problem('not-a-zip', 'The file is not a whole .zip.', UNCHANGED),
    );
  }
  return succeed({
    names: [...entries.keys()],
    read: (name) => readEntry(zip, entries.get(name), name),
    close: () => zip.close(),
  });
}

function opened(source: string | Buffer): Promise<ZipFile> {
  const options = {
    lazyEntries: true,
    autoClose: false,
    validateEntrySizes: true,
    strictFileNames: true,
  } as const;
  return new Promise((resolve, reject) => {
    const done = (error: Error | null, zip?: ZipFile) =>
      zip ? resolve(zip) : reject(error ?? new Error('no zip'));
    if (typeof source === 'string') openZip(source, options, done);
    else fromBuffer(source, options, done);
  });
}

function list(zip: ZipFile, entries: Map<string, Entry>): Promise<Problem | null> {
  let bytes = 0;
  return new Promise((resolve, reject) => {
    zip.on('error', reject);
    zip.on('end', () => resolve(null));
    zip.on('entry', (entry: Entry) => {
      const { fileName, uncompressedSize, compressedSize } = entry;
      bytes += uncompressedSize;
      if (!NAMES.test(fileName))
        return resolve(
          problem('unknown-file', `${quoted(fileName)} does not belong in a backup.`, UNCHANGED),
        );
      if (entries.has(fileName))
        return resolve(problem('file-twice', `${quoted(fileName)} stands twice in the .zip.`, NOT_OURS));
      entries.set(fileName, entry);
      const isTrap = uncompressedSize > SMALL_BYTES && uncompressedSize > MOST_RATIO * compressedSize;
      if (isTrap || bytes > MOST_BYTES || entries.size > MOST_FILES || uncompressedSize > LARGEST_FILE_BYTES)
        return resolve(
          problem(
            'explodes',
            `${quoted(fileName)} would unpack to ${Math.round(bytes / 1024 ** 2)} MB and more.`,
            NOT_OURS,
          ),
        );
      zip.readEntry();
    });
    zip.readEntry();
  });
}

/** Unpacks one file. It is cut off where it grows beyond what the list announced. */
async function readEntry(zip: ZipFile, entry: Entry | undefined, name: string): Promise<Outcome<string>> {
  const broken = (why: string) => fail(problem('broken-file', `${name} ${why}.`, UNCHANGED, name));
  if (!entry)
    return fail(problem('missing-file', `${name} is missing.`, 'Choose an unchanged backup.', name));
  const chunks: Buffer[] = [];
  let size = 0;
  try {
    const stream = await new Promise<NodeJS.ReadableStream>((resolve, reject) =>
      zip.openReadStream(entry, (error, found) =>
        found ? resolve(found) : reject(error ?? new Error('no stream')),
      ),
    );
    for await (const chunk of stream) {
      size += (chunk as Buffer).length;
      if (size > entry.uncompressedSize) return broken('is larger than the .zip says');
      chunks.push(chunk as Buffer);
    }
  } catch {
    return broken('is not whole, or not as large as the .zip says');
  }
  if (size !== entry.uncompressedSize) return broken('is shorter than the .zip says');
  return succeed(new TextDecoder().decode(Buffer.concat(chunks)));
}
