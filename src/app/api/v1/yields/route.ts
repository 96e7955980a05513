import { answerRefusal } from '@/app/access';
import { database } from '@/data/connection';
import { parsePage } from '@/dto/reading/readingDtos';
import { readYields } from '@/services/yields/readYields';
import { answerRows, guardReader } from '../reading';

/** How many of each part came out good, with the range that the counts allow: what the Yield screen shows. */
export const GET = guardReader(async (request) => {
  const page = parsePage(request.nextUrl.searchParams);
  if (!page.ok) return answerRefusal(page, 400);
  const { yields } = await readYields(database(), new Date());
  const { isCsv } = page.value;
  const rows = yields.map(({ modelId, partRef, name, good, sought, interval: { low, high } }) => ({
    modelId,
    partRef,
    name,
    good,
    sought,
    low,
    high,
  }));
  return answerRows('yields', rows, ['modelId', 'partRef', 'name', 'good', 'sought', 'low', 'high'], { isCsv });
});
