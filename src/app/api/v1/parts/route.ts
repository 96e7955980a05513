import { answerRefusal } from '@/app/access';
import { database } from '@/data/connection';
import { partsOut, type PartOut } from '@/data/reading/readOut';
import { parsePage } from '@/dto/reading/readingDtos';
import { allPages, answerRows, guardReader } from '../reading';

const columns: readonly (keyof PartOut)[] = [
  'tag',
  'place',
  'modelId',
  'partRef',
  'category',
  'interchange',
  'state',
  'grade',
  'limiting',
  'bin',
  'unit',
];
const chunk = 1000;

/** The parts of the shop, by tag. */
export const GET = guardReader(async (request) => {
  const page = parsePage(request.nextUrl.searchParams, 'P');
  if (!page.ok) return answerRefusal(page, 400);
  const { after, limit, isCsv } = page.value;
  const rows = isCsv
    ? await allPages<PartOut>((last) => partsOut(database(), last?.tag, chunk))
    : await partsOut(database(), after, limit);
  return answerRows('parts', rows, columns, { isCsv, next: rows.length < limit ? null : (rows.at(-1)?.tag ?? null) });
});
