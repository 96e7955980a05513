import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { PrintedDto } from '@/dto/labels/PrintedDto';
import { parseDto } from '@/dto/parseDto';
import { printLabels } from '@/services/labels/printLabels';
import { readPrinter } from '@/services/labels/readPrinter';

/** What a label printer has before it: each job’s label is at `/api/labels/TAG.svg` and `.pdf`. */
export const GET = guardRoute('GET /api/label-jobs', async () => Response.json(await readPrinter(database())));

/** The printer says which jobs came out: `{ ids: [...] }`. */
export const POST = guardRoute('POST /api/label-jobs', async (request) => {
  const parsed = parseDto(PrintedDto, await request.json().catch(() => null));
  if (!parsed.ok) return answerRefusal(parsed);
  const printed = await printLabels(database(), parsed.value.ids, new Date());
  return printed.ok ? Response.json({ printed: printed.value }) : answerRefusal(printed);
});
