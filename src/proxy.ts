import { NextResponse, type NextRequest } from 'next/server';
import { isActionBody, isOurs, NOT_OURS } from '@/app/guard';

/** Everything but the routes under /api, which guard themselves: their bodies are large, and would be held here. */
export const config = { matcher: '/((?!api/).*)' };

/** Only our own page is answered. Every page gets a strict content security policy with a fresh nonce. */
export async function proxy(request: NextRequest) {
  if (!isOurs(request, false)) return new NextResponse(NOT_OURS, { status: 403 });
  // Nothing of ours is resized on the way.
  if (request.nextUrl.pathname.startsWith('/_next/image')) return new NextResponse(null, { status: 404 });
  if (request.method === 'POST' && request.headers.has('next-action')) {
    const isWhole = isActionBody(request.headers.get('content-type'), await request.text());
    if (!isWhole)
      return new NextResponse('The request is not whole; nothing was changed.\n', {
        status: 400,
        headers: { 'content-type': 'text/plain' },
      });
  }
  const nonce = Buffer.from(crypto.randomUUID()).toString('base64');
  const policy = contentPolicy(nonce);
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  return response;
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
