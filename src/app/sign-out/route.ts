import { NextResponse } from 'next/server';
import { guardRoute } from '@/app/access';
import { readSession } from '@/app/session';

/** Ends the session and goes to the sign-in page. */
export const POST = guardRoute('viewer', async () => {
  const session = await readSession();
  session.destroy();
  return new NextResponse(null, { status: 303, headers: { location: '/sign-in' } });
});
