import { guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { findSerial } from '@/services/dock/findSerial';

interface Context {
  readonly params: Promise<{ readonly serial: string }>;
}

/** Where a serial is known: the line that waits for it, the unit that has it. */
export const GET = guardRoute<Context>('technician', async (_request, _person, { params }) =>
  Response.json(await findSerial(database(), decodeURIComponent((await params).serial).slice(0, 60))),
);
