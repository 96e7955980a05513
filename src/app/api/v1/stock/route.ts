import { answerRefusal } from '@/app/access';
import { database } from '@/data/connection';
import { stockOut } from '@/data/reading/readOut';
import { readTallies } from '@/data/tallies/readTallies';
import { parsePage } from '@/dto/reading/readingDtos';
import { answerRows, guardReader } from '../reading';

/** What lies on the shelf, by interchange class and grade. */
export const GET = guardReader(async (request) => {
  const page = parsePage(request.nextUrl.searchParams);
  if (!page.ok) return answerRefusal(page, 400);
  const { isCsv } = page.value;
  return answerRows(
    'stock',
    stockOut(await readTallies(database(), ['stock'])),
    ['interchange', 'category', 'grade', 'count'],
    { isCsv },
  );
});
