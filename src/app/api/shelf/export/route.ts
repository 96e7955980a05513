import { guardRoute } from '@/app/access';
import { streamText } from '@/app/streamText';
import { readShelfQuery } from '@/core/shelf/shelfQuery';
import { database } from '@/data/connection';
import { exportShelf } from '@/services/shelf/exportShelf';

/** A view of the shelf as CSV, in its order. */
export const GET = guardRoute('GET /api/shelf/export', async ({ nextUrl: { searchParams } }) =>
  streamText(exportShelf(database(), readShelfQuery(Object.fromEntries(searchParams))), 'shelf.csv'),
);
