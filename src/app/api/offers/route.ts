import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { insertOffer } from '@/data/orders/offerRepository';
import { OfferDto } from '@/dto/orders/OfferDto';
import { parseDto } from '@/dto/parseDto';

/** Notes where a class of parts can be bought; the same id twice notes it once. */
export const POST = guardRoute('POST /api/offers', async (request, { id: by }) => {
  const asked = parseDto(OfferDto, await request.json().catch(() => null));
  if (!asked.ok) return answerRefusal(asked, 400);
  await insertOffer(database(), asked.value, { at: new Date(), by });
  return Response.json({});
});
