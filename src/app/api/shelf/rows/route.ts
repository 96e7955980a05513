import { guardRoute } from '@/app/access';
import { readShelfQuery } from '@/core/shelf/shelfQuery';
import { database } from '@/data/connection';
import { readShelfRows } from '@/services/shelf/readShelfRows';

/** Nobody has so many parts; an address may say anything. */
const furthest = 10_000_000;

/** Rows of a view of the shelf, from one on; `of` says how many it has, where that is known. */
export const GET = guardRoute('GET /api/shelf/rows', async ({ nextUrl: { searchParams } }) => {
  const said = Object.fromEntries(searchParams);
  const count = (text: string | undefined) => Math.min(furthest, Math.max(0, Math.floor(Number(text)) || 0));
  const known = said.of === undefined ? undefined : count(said.of);
  return Response.json(await readShelfRows(database(), readShelfQuery(said), count(said.from), new Date(), known));
});
