import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { ContactDto } from '@/dto/contacts/contactDto';
import { parseDto } from '@/dto/parseDto';
import { saveContact } from '@/services/contacts/saveContact';

/** Notes a supplier or customer, or their address anew. */
export const PUT = guardRoute('PUT /api/contacts', async (request, { id: by }) => {
  const asked = parseDto(ContactDto, await request.json().catch(() => null));
  if (!asked.ok) return answerRefusal(asked, 400);
  const outcome = await saveContact(database(), asked.value, { at: new Date(), by });
  return outcome.ok ? Response.json(outcome.value) : answerRefusal(outcome);
});
