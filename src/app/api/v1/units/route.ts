import { answerRefusal } from '@/app/access';
import { database } from '@/data/connection';
import { unitsOut, type UnitOut } from '@/data/reading/readOut';
import { parsePage } from '@/dto/reading/readingDtos';
import { allPages, answerRows, guardReader } from '../reading';

const columns: readonly (keyof UnitOut)[] = [
  'tag',
  'stage',
  'modelId',
  'modelVersion',
  'serial',
  'parcel',
  'line',
  'disposition',
  'isWiped',
  'saleGrade',
  'shipment',
];
const chunk = 1000;

/** The units of the shop, by tag. */
export const GET = guardReader(async (request) => {
  const page = parsePage(request.nextUrl.searchParams, 'U');
  if (!page.ok) return answerRefusal(page, 400);
  const { after, limit, isCsv } = page.value;
  const rows = isCsv
    ? await allPages<UnitOut>((last) => unitsOut(database(), last?.tag, chunk))
    : await unitsOut(database(), after, limit);
  return answerRows('units', rows, columns, { isCsv, next: rows.length < limit ? null : (rows.at(-1)?.tag ?? null) });
});
