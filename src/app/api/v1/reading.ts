import 'server-only';
import { NextResponse, type NextRequest } from 'next/server';
import { answerError, answerRefusal, personOf } from '@/app/access';
import { bearerOf } from '@/app/bearer';
import { takeOne, type Bucket } from '@/core/reading/rateLimit';
import { refuse } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { findReader } from '@/data/reading/readKeyRepository';
import { writeCsv } from '@/files/writeCsv';

/** What each key has left, in this server's memory: several servers allow each their share. */
const buckets = new Map<string, Bucket>();

type Read = (request: NextRequest) => Promise<Response>;

/**
 * A route that only reads: for a program with a key that a lead made, or for somebody who is signed in. A key has so many
 * questions a minute.
 */
export function guardReader(read: Read) {
  return async (request: NextRequest): Promise<Response> => {
    try {
      const now = Date.now();
      const key = bearerOf(request);
      const reader =
        key === undefined ? (await personOf(request))?.id : await findReader(database(), key, new Date(now));
      if (reader === undefined) return answerRefusal(refuse('not-signed-in'), 401);
      const { bucket, isAllowed, waitSeconds } = takeOne(buckets.get(reader), now);
      buckets.set(reader, bucket);
      if (!isAllowed) {
        const answer = answerRefusal(refuse('too-often', { seconds: waitSeconds }), 429);
        answer.headers.set('retry-after', String(waitSeconds));
        return answer;
      }
      return await read(request);
    } catch (error) {
      return answerError(error);
    }
  };
}

/** Rows as JSON with where the next page begins, or as CSV, which has all of them. */
export function answerRows<T extends object>(
  name: string,
  rows: readonly T[],
  columns: readonly (keyof T & string)[],
  page: { readonly isCsv: boolean; readonly next?: string | number | null },
): Response {
  if (!page.isCsv) return NextResponse.json({ [name]: rows, ...(page.next !== undefined && { next: page.next }) });
  return new Response(writeCsv(rows, columns), {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="${name}.csv"`,
    },
  });
}

/** Every page of a list, one after the other. */
export async function allPages<T>(page: (after: T | undefined) => Promise<readonly T[]>): Promise<readonly T[]> {
  const rows: T[] = [];
  for (;;) {
    const next = await page(rows.at(-1));
    if (next.length === 0) return rows;
    rows.push(...next);
  }
}
