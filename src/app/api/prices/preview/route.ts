import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { parseDto } from '@/dto/parseDto';
import { SetPricesDto } from '@/dto/prices/pricesDtos';
import { readPricesPreview } from '@/services/prices/readPricesPreview';

/** What prices would change. Nothing is saved. */
export const POST = guardRoute('POST /api/prices/preview', async (request) => {
  const asked = parseDto(SetPricesDto, await request.json().catch(() => null));
  if (!asked.ok) return answerRefusal(asked, 400);
  const outcome = await readPricesPreview(database(), asked.value, new Date());
  return outcome.ok ? Response.json(outcome.value) : answerRefusal(outcome);
});
