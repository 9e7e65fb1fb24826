import type { Problem } from '@/core/problem';

/** What is known of a request before it is answered. */
export interface Asked {
  method: string;
  headers: Pick<Headers, 'get'>;
}

/** Host names under which this server may be spoken to; a club adds its own in PEBBLE_HOSTS, with commas. */
const LOCAL_HOSTS = ['localhost', '127.0.0.1', '[::1]'];
/** Methods that change nothing: a link from elsewhere may lead to a page. */
const READS = ['GET', 'HEAD'];

function allowedHosts(): string[] {
  const more = process.env['PEBBLE_HOSTS']?.split(',').map((name) => name.trim()) ?? [];
  return [...LOCAL_HOSTS, ...more];
}

/**
 * Whether a request comes from our own page, or from no page at all. Another origin (the same host on another port is one)
 * reaches no route and no action, and a name that was made to point at this machine is not answered.
 * @param isData whether it is asked for what a page reads or sends by itself: then no other site may even link to it
 */
export function isOurs({ method, headers }: Asked, isData: boolean): boolean {
  const host = headers.get('host') ?? '';
  if (!allowedHosts().includes(host.replace(/:\d+$/, ''))) return false;
  const origin = headers.get('origin');
  if (origin !== null && !originsOf(host, headers.get('x-forwarded-proto')).includes(origin)) return false;
  const site = headers.get('sec-fetch-site');
  const isElsewhere = site !== null && site !== 'same-origin' && site !== 'none';
  return !(isElsewhere && (isData || !READS.includes(method)));
}

/** Origins of our own pages; `https` only where somebody in front of this server says that they spoke it. */
function originsOf(host: string, forwarded: string | null): string[] {
  const isSecure = forwarded?.split(',')[0]?.trim() === 'https';
  return [`http://${host}`, ...(isSecure ? [`https://${host}`] : [])];
}

export const NOT_OURS = 'This server answers only to its own page.\n';

/** A route that only our own page reaches. A fault of ours is said to whoever started the program, and to the page in words. */
export function guarded(answer: (request: Request) => Response | Promise<Response>) {
  return async (request: Request): Promise<Response> => {
    if (!isOurs(request, true)) return new Response(NOT_OURS, { status: 403 });
    try {
      return await answer(request);
    } catch (error) {
      const { pathname } = new URL(request.url);
      process.stderr.write(`${request.method} ${pathname}: ${faultText(error)}\n`);
      return Response.json({ ok: false, problems: [FAULT] }, { status: 500 });
    }
  };
}

const FAULT: Problem = {
  code: 'fault',
  message: 'The program stumbled; the window it runs in says over what.',
  place: {},
  remedy: 'Try again. Nothing that was acknowledged before is lost.',
};

/** An error with where it came from, and what it came from in turn. */
function faultText(error: unknown): string {
  if (!(error instanceof Error)) return String(error);
  const cause = error.cause === undefined ? '' : `\n  because ${faultText(error.cause)}`;
  return `${error.stack ?? error.message}${cause}`;
}

/** What React writes for a value that JSON does not have. */
const MARKED = /^\$(?:\$|undefined$|NaN$|-?Infinity$|-0$|D\d{4}-\d\d-\d\dT[\d:.]+Z$|n-?\d{1,40}$)/;
/** What stands twice is written once, and by the way to it the second time. */
const WAY = /^\$0((?::[^:]*)+)$/;
const MOST_DEPTH = 30;

/** Whether a body is one that a page of ours sends to an action: a list of plain values. */
export function isActionBody(contentType: string | null, body: string): boolean {
  if (!contentType?.startsWith('text/plain')) return false;
  let args: unknown;
  try {
    args = JSON.parse(body);
  } catch {
    return false;
  }
  // A way leads back to what was read whole before; one that led forward, or into itself, would have no end.
  const whole = new Set<unknown>();
  const isPlain = (value: unknown, depth: number): boolean => {
    if (depth > MOST_DEPTH) return false;
    if (typeof value === 'string')
      return !value.startsWith('$') || MARKED.test(value) || whole.has(whereTo(args, value));
    if (typeof value !== 'object' || value === null) return true;
    if (!Object.values(value).every((part) => isPlain(part, depth + 1))) return false;
    whole.add(value);
    return true;
  };
  return Array.isArray(args) && isPlain(args, 0);
}

/** Where a way leads to; `undefined` where it leads nowhere. */
function whereTo(args: unknown, way: string): unknown {
  const [, path] = WAY.exec(way) ?? [];
  let at: unknown = args;
  for (const key of path?.slice(1).split(':') ?? ['']) {
    if (typeof at !== 'object' || at === null || !Object.hasOwn(at, key)) return undefined;
    at = (at as Record<string, unknown>)[key];
  }
  return at;
}
