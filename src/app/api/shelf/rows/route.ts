import { guardRoute } from '@/app/access';
import { readShelfQuery } from '@/core/shelf/shelfQuery';
import { database } from '@/data/connection';
import { readShelfRows } from '@/services/shelf/readShelfRows';

/** Nobody has so many parts; an address may say anything. */
const furthest = 10_000_000;

/** Rows of a view of the shelf, from one on. */
export const GET = guardRoute('GET /api/shelf/rows', async ({ nextUrl: { searchParams } }) => {
  const said = Object.fromEntries(searchParams);
  const from = Math.min(furthest, Math.max(0, Math.floor(Number(said.from)) || 0));
  return Response.json(await readShelfRows(database(), readShelfQuery(said), from, new Date()));
});
