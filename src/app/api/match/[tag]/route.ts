import { guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { readOffered } from '@/services/match/readMatch';

interface Context {
  readonly params: Promise<{ readonly tag: string }>;
}

/** Parts on the shelf that could go into a unit at Match, and its model; nothing where it is not there any more. */
export const GET = guardRoute<Context>('GET /api/match/[tag]', async (_request, _person, { params }) =>
  Response.json(await readOffered(database(), (await params).tag, new Date())),
);
