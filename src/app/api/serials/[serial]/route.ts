import { guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { findSerial } from '@/services/dock/findSerial';

interface Context {
  readonly params: Promise<{ readonly serial: string }>;
}

/** Where a serial is known: the line that waits for it, the unit that has it. */
export const GET = guardRoute<Context>('GET /api/serials/[serial]', async (request, _person, { params }) => {
  const parcelId = new URL(request.url).searchParams.get('parcel')?.slice(0, 36);
  const serial = (await params).serial.slice(0, 60);
  return Response.json(await findSerial(database(), serial, parcelId));
});
