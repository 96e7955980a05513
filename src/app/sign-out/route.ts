import { NextResponse } from 'next/server';
import { guardRoute } from '@/app/access';
import { dropToken, tokenOf } from '@/app/session';
import { database } from '@/data/connection';
import { closeSession } from '@/services/people/closeSession';

/** Ends the session, for every copy of what the browser holds, and goes to the sign-in page. */
export const POST = guardRoute('POST /sign-out', async (request) => {
  const token = tokenOf(request);
  if (token !== undefined) await closeSession(database(), token);
  await dropToken();
  return new NextResponse(null, { status: 303, headers: { location: '/sign-in' } });
});
