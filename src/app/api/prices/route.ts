import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { parseDto } from '@/dto/parseDto';
import { SetPricesDto } from '@/dto/prices/pricesDtos';
import { setPrices } from '@/services/prices/setPrices';

/** Sets prices of a model from a day on. */
export const POST = guardRoute('POST /api/prices', async (request, { id: by }) => {
  const asked = parseDto(SetPricesDto, await request.json().catch(() => null));
  if (!asked.ok) return answerRefusal(asked, 400);
  const outcome = await setPrices(database(), asked.value, { at: new Date(), by });
  return outcome.ok ? Response.json(outcome.value) : answerRefusal(outcome);
});
