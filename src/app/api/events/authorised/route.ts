import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { parseEvent } from '@/dto/events/parseEvent';
import { parseDto } from '@/dto/parseDto';
import { AuthorisedDto } from '@/dto/people/AuthorisedDto';
import { recordEvent } from '@/services/events/recordEvent';
import { signIn } from '@/services/people/signIn';

/**
 * A fact that takes an authorised person's word, at a bench where somebody else is signed in: checked by that person's
 * PIN, which counts wrong tries as signing in does, and recorded under that person's name.
 */
export const POST = guardRoute('technician', async (request, { bench }) => {
  const parsed = parseDto(AuthorisedDto, await request.json().catch(() => null));
  if (!parsed.ok) return answerRefusal(parsed, 400);
  const event = parseEvent(parsed.value.event);
  if (!event.ok) return answerRefusal(event, 400);
  const now = new Date();
  const { personId, pin } = parsed.value;
  const authorised = await signIn(database(), { personId, pin, bench }, now);
  if (!authorised.ok) return answerRefusal(authorised);
  const recorded = await recordEvent(database(), authorised.value, event.value, now);
  return recorded.ok ? Response.json(recorded.value) : answerRefusal(recorded);
});
