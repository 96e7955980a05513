import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { OrderDto } from '@/dto/orders/OrderDto';
import { parseDto } from '@/dto/parseDto';
import { noteOrder } from '@/services/orders/noteOrder';

/** Notes an order; the same id twice notes it once. */
export const POST = guardRoute('POST /api/orders', async (request, { id: by }) => {
  const asked = parseDto(OrderDto, await request.json().catch(() => null));
  if (!asked.ok) return answerRefusal(asked, 400);
  const noted = await noteOrder(database(), asked.value, { at: new Date(), by });
  return noted.ok ? Response.json({}) : answerRefusal(noted);
});
