import { answerRefusal, guardRoute } from '@/app/access';
import { addressOf, deviceOf } from '@/app/session';
import { inShopTime } from '@/core/shop/shopTime';
import { watch } from '@/app/watch';
import { database } from '@/data/connection';
import { parseFact } from '@/dto/facts/parseFact';
import { parseDto } from '@/dto/parseDto';
import { AuthorisedDto } from '@/dto/people/AuthorisedDto';
import { recordFact } from '@/services/facts/recordFact';
import { signIn } from '@/services/people/signIn';

/**
 * A fact that takes an authorised person's word, at a bench where somebody else is signed in: checked by that person's
 * PIN, which counts wrong tries as signing in does, and recorded under that person's name.
 */
export const POST = guardRoute('POST /api/facts/authorised', async (request, { bench }) => {
  const parsed = parseDto(AuthorisedDto, await request.json().catch(() => null));
  if (!parsed.ok) return answerRefusal(parsed, 400);
  const fact = parseFact(parsed.value.fact);
  if (!fact.ok) return answerRefusal(fact, 400);
  const now = new Date();
  const { personId, pin } = parsed.value;
  const at = { address: addressOf(request), device: deviceOf(request) };
  const authorised = await signIn(database(), { personId, pin, bench }, at, now);
  watch()?.signIn(authorised.ok ? 'authorised' : authorised.refusal.reason, { person: personId, from: at.address });
  if (!authorised.ok) return answerRefusal(authorised);
  const recorded = await recordFact(database(), authorised.value, inShopTime(fact.value, undefined, now), now);
  return recorded.ok ? Response.json(recorded.value) : answerRefusal(recorded);
});
