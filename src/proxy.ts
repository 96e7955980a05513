import { NextResponse, type NextRequest } from 'next/server';

/**
 * A strict content security policy on every page: a nonce per request, nothing from anywhere else. What every answer says
 * besides, whoever makes it, the server process writes (scripts/server/headers.cjs).
 */
export function proxy(request: NextRequest): NextResponse {
  const nonce = btoa(crypto.randomUUID());
  const isDevelopment = process.env.NODE_ENV === 'development';
  const policy = [
    `default-src 'self'`,
    // What reads codes from a camera's picture is compiled from a file of our own.
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic' 'wasm-unsafe-eval'${isDevelopment ? " 'unsafe-eval'" : ''}`,
    `style-src 'self' 'nonce-${nonce}'`,
    `img-src 'self' data: blob:`,
    `font-src 'self'`,
    `connect-src 'self'`,
    `worker-src 'self'`,
    `object-src 'none'`,
    `base-uri 'none'`,
    `form-action 'self'`,
    `frame-ancestors 'none'`,
  ].join('; ');
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  return response;
}

// What instruments stream is passed on as it comes: looked at here first, it would wait for its end.
export const config = { matcher: ['/((?!api/readings|_next/static|_next/image|favicon.ico|icon.svg).*)'] };
