import type { NextRequest } from 'next/server';
import { guardRoute } from '@/app/access';
import { isAtLeastRole } from '@/core/people/roles';
import { database } from '@/data/connection';
import { closeSelfTest } from '@/data/selfTest/selfTestRepository';
import { drawQr } from '@/files/drawQr';
import { readSelfReads } from '@/services/selfTest/readSelfReads';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

/** What a unit read off itself, and the page that is open for it, or for the part that is asked for. */
export const GET = guardRoute<Context>('GET /api/units/[id]/self-tests', async (request, { role }, { params }) => {
  const { id } = await params;
  const mayUse = isAtLeastRole(role, 'technician');
  const view = await readSelfReads(database(), id, request.nextUrl.searchParams.get('part'), mayUse, new Date());
  return Response.json({ ...view, address: view.page && addressOf(request, view.page.code) });
});

/** The address as this browser knows the shop: another name of the machine may not be known where the unit is. */
function addressOf({ headers }: NextRequest, code: string): { readonly text: string; readonly qr: string } {
  const host = headers.get('x-forwarded-host') ?? headers.get('host') ?? '';
  const scheme = headers.get('x-forwarded-proto') === 'https' ? 'https' : 'http';
  const text = `${scheme}://${host.slice(0, 200)}/test`;
  return { text, qr: drawQr(`${text}/${code}`) };
}

/** Ends the page that is open for a unit or a part: its code is worth nothing any more. */
export const DELETE = guardRoute<Context>('DELETE /api/units/[id]/self-tests', async (request, _person, { params }) => {
  const part = request.nextUrl.searchParams.get('part');
  const { page } = await readSelfReads(database(), (await params).id, part, true, new Date());
  if (page) await closeSelfTest(database(), page.code, new Date());
  return Response.json({});
});
