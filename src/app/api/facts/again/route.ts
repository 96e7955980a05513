import { answerRefusal, guardRoute } from '@/app/access';
import { refuse } from '@/core/shared/outcome';
import { inShopTime } from '@/core/shop/shopTime';
import { database } from '@/data/connection';
import { parseFact } from '@/dto/facts/parseFact';
import { currentVersion } from '@/services/facts/currentVersion';
import { recordFact } from '@/services/facts/recordFact';

/**
 * A fact that was refused, said again by a person who has looked at how things stand: over the version of now, and
 * refused once more if it cannot be.
 */
export const POST = guardRoute('POST /api/facts/again', async (request, person) => {
  const body = (await request.json().catch(() => null)) as { fact?: unknown } | null;
  const parsed = parseFact(body?.fact);
  if (!parsed.ok) return answerRefusal(parsed, 400);
  const expects = await currentVersion(database(), parsed.value);
  if (expects === null) return answerRefusal(refuse('not-found', { id: parsed.value.subjectId }), 404);
  const now = new Date();
  const fact = inShopTime(parsed.value, undefined, now);
  const recorded = await recordFact(database(), person, { ...fact, expects }, now);
  return recorded.ok ? Response.json(recorded.value) : answerRefusal(recorded);
});
