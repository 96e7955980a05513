import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { parseDto } from '@/dto/parseDto';
import { SupplyWordDto } from '@/dto/shelf/SupplyWordDto';
import { sayOfSupply } from '@/services/supplies/sayOfSupply';

/** Somebody counted a supply, received some of it, or says how long an order takes. */
export const PUT = guardRoute('PUT /api/supplies', async (request, { id: by }) => {
  const asked = parseDto(SupplyWordDto, await request.json().catch(() => null));
  if (!asked.ok) return answerRefusal(asked, 400);
  const { key, expects, word } = asked.value;
  const outcome = await sayOfSupply(database(), key, expects, word, { at: new Date(), by });
  return outcome.ok ? Response.json(outcome.value) : answerRefusal(outcome);
});
