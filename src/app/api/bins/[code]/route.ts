import { guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { readBin } from '@/services/shelf/readBin';

interface Context {
  readonly params: Promise<{ readonly code: string }>;
}

/** How full a bin is, and what may go into it; null where none has that name. */
export const GET = guardRoute<Context>('GET /api/bins/[code]', async (_request, _person, { params }) =>
  Response.json(await readBin(database(), (await params).code)),
);
