import { NextResponse, type NextRequest } from 'next/server';

/** Host names under which this server may be spoken to; a club adds its own in PEBBLE_HOSTS, with commas. */
const LOCAL_HOSTS = ['localhost', '127.0.0.1', '[::1]'];

/**
 * No other origin or host name reaches a route or action: a page elsewhere cannot post here, and a name that was made
 * to point at this machine is not answered. Every page gets a strict content security policy with a fresh nonce.
 */
export function proxy(request: NextRequest) {
  const host = request.headers.get('host') ?? '';
  const origin = request.headers.get('origin');
  if (!allowedHosts().includes(host.replace(/:\d+$/, '')) || (origin !== null && hostOf(origin) !== host))
    return new NextResponse('This server answers only to its own page.\n', { status: 403 });
  const nonce = Buffer.from(crypto.randomUUID()).toString('base64');
  const policy = contentPolicy(nonce);
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('referrer-policy', 'no-referrer');
  response.headers.set('cross-origin-opener-policy', 'same-origin');
  return response;
}

function allowedHosts(): string[] {
  const more = process.env['PEBBLE_HOSTS']?.split(',').map((name) => name.trim()) ?? [];
  return [...LOCAL_HOSTS, ...more];
}

function hostOf(origin: string): string {
  try {
    return new URL(origin).host;
  } catch {
    return '';
  }
}

function contentPolicy(nonce: string): string {
  const isDev = process.env.NODE_ENV === 'development';
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${isDev ? " 'unsafe-eval'" : ''}`,
    `style-src-elem 'self' ${isDev ? "'unsafe-inline'" : `'nonce-${nonce}'`}`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "worker-src 'self' blob:",
    `connect-src 'self'${isDev ? ' ws:' : ''}`,
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
}
