import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { PrintedDto } from '@/dto/labels/PrintedDto';
import { parseDto } from '@/dto/parseDto';
import { printLabels } from '@/services/labels/printLabels';

/** Somebody says which labels came out of a printer that does not say so itself: `{ ids: [...] }`. */
export const POST = guardRoute('POST /api/label-jobs', async (request) => {
  const parsed = parseDto(PrintedDto, await request.json().catch(() => null));
  if (!parsed.ok) return answerRefusal(parsed);
  const printed = await printLabels(database(), parsed.value.ids, new Date());
  return printed.ok ? Response.json({ printed: printed.value }) : answerRefusal(printed);
});
