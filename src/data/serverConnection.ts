import pg from 'pg';
import { withMethods } from './withMethods';

/** Whoever holds bytes holds plain ones, as a book in a folder gives them. */
pg.types.setTypeParser(pg.types.builtins.BYTEA, (hex) => new Uint8Array(Buffer.from(hex.slice(2), 'hex')));

/** A server that restarts is back within this; a page waits so long for it. */
const MOST_TRIES = 100;
const WAIT_MS = 200;

const LOST_CODES = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ENOENT',
  'ETIMEDOUT',
  // The server is stopped, fell, or is not up yet.
  '57P01',
  '57P02',
  '57P03',
]);
const LOST_WORDS = /connection terminated|not queryable|connection error|client was closed/i;

/** Whether an error, or what it came from, is a connection that was lost and may come back. */
export function isLost(error: unknown): boolean {
  if (!(error instanceof Error)) return false;
  const { code } = error as { code?: unknown };
  if ((typeof code === 'string' && LOST_CODES.has(code)) || LOST_WORDS.test(error.message)) return true;
  if (error instanceof AggregateError && error.errors.some(isLost)) return true;
  return isLost(error.cause);
}

const wait = () => new Promise((resolve) => setTimeout(resolve, WAIT_MS));

/** Does something again while the connection is lost, as long as a server takes to come back. */
export async function whileLost<T>(work: () => Promise<T>, mayAgain: () => boolean = () => true): Promise<T> {
  for (let tries = 1; ; tries++)
    try {
      return await work();
    } catch (error) {
      if (!isLost(error) || tries === MOST_TRIES || !mayAgain()) throw error;
      await wait();
    }
}

/**
 * Connections to a server, with a new one where one was lost. What only reads is asked again; what writes is not, since it
 * may have been done.
 */
export function connections(url: string, searchPath: string, most: number): pg.Pool {
  const pool = new pg.Pool({ connectionString: url, max: most, options: `-c search_path=${searchPath}` });
  // One that idles and is lost is thrown away; the next asker gets a new one.
  pool.on('error', () => undefined);
  // One that is lost while somebody has it tells whoever asks it next.
  pool.on('connect', (client) => client.on('error', () => undefined));
  const connect = () => whileLost(async () => inTurn(await pool.connect()));
  const query = async (...asked: Parameters<pg.PoolClient['query']>) => {
    const text = typeof asked[0] === 'string' ? asked[0] : ((asked[0] as { text?: string }).text ?? '');
    return whileLost(
      async () => {
        const client = await connect();
        try {
          const answer: unknown = await client.query(...asked);
          client.release();
          return answer;
        } catch (error) {
          client.release(isLost(error));
          throw error;
        }
      },
      () => /^\s*select\b/i.test(text),
    );
  };
  return withMethods(pool, { connect, query } as Partial<pg.Pool>);
}

const turns = new WeakSet<pg.PoolClient>();

/** A connection answers one question at a time: those that are asked beside each other wait here, not in the driver. */
function inTurn(client: pg.PoolClient): pg.PoolClient {
  if (turns.has(client)) return client;
  turns.add(client);
  const query = client.query.bind(client) as (...asked: unknown[]) => Promise<unknown>;
  let last: Promise<unknown> = Promise.resolve();
  const next = (...asked: unknown[]) => {
    const mine = last.then(() => query(...asked));
    last = mine.catch(() => undefined);
    return mine;
  };
  return Object.assign(client, { query: next });
}

/** Where a server is, without its password. */
export function placeOf(url: string): string {
  const { hostname, port, pathname } = new URL(url);
  return `${hostname}:${port || '5432'}${pathname}`;
}
