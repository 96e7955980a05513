import { answerRefusal } from '@/app/access';
import { refuse } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { factsOut } from '@/data/reading/readOut';
import { parsePage } from '@/dto/reading/readingDtos';
import { answerRows, guardReader } from '../reading';

/** Facts of the log after a position, in order: who asks again from the last one misses none. */
export const GET = guardReader(async (request) => {
  const page = parsePage(request.nextUrl.searchParams);
  if (!page.ok) return answerRefusal(page, 400);
  const { after, limit, isCsv } = page.value;
  const from = Number(after ?? 0);
  if (!Number.isSafeInteger(from) || from < 0)
    return answerRefusal(refuse('bad-input', { field: 'after', says: 'it must be a position of the log' }), 400);
  const rows = await factsOut(database(), from, limit);
  const next = rows.at(-1)?.position ?? from;
  return answerRows(
    'facts',
    rows,
    ['position', 'id', 'type', 'at', 'receivedAt', 'clockOffS', 'person', 'bench', 'unit', 'part', 'undoes', 'payload'],
    { isCsv, next },
  );
});
