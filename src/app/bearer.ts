import type { NextRequest } from 'next/server';

/** The key that a program carries in its request. */
export const bearerOf = (request: NextRequest): string | undefined =>
  /^Bearer (\S{1,100})$/.exec(request.headers.get('authorization') ?? '')?.[1];
