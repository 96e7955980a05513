import { guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { findAll } from '@/services/find/findAll';

const mostLetters = 100;
const mostOfAKind = 4;

/** What answers the words typed so far: the first few of each kind. */
export const GET = guardRoute('GET /api/find', async (request) => {
  const text = (request.nextUrl.searchParams.get('q') ?? '').slice(0, mostLetters);
  return Response.json(await findAll(database(), text, mostOfAKind));
});
