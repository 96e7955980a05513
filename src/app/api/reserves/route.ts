import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { setReserve } from '@/data/orders/reserveRepository';
import { ReserveDto } from '@/dto/orders/ReserveDto';
import { parseDto } from '@/dto/parseDto';

/** How many parts of a class stay on the shelf whatever a plan could make of them; none takes it back. */
export const PUT = guardRoute('PUT /api/reserves', async (request, { id: by }) => {
  const asked = parseDto(ReserveDto, await request.json().catch(() => null));
  if (!asked.ok) return answerRefusal(asked, 400);
  await setReserve(database(), asked.value, { at: new Date(), by });
  return Response.json({});
});
