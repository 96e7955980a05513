import { answerRefusal, guardRoute } from '@/app/access';
import { refuse } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { parseEvent } from '@/dto/events/parseEvent';
import { currentVersion } from '@/services/events/currentVersion';
import { recordEvent } from '@/services/events/recordEvent';

/**
 * A fact that was refused, said again by a person who has looked at how things stand: over the version of now, and
 * refused once more if it cannot be.
 */
export const POST = guardRoute('technician', async (request, person) => {
  const body = (await request.json().catch(() => null)) as { event?: unknown } | null;
  const parsed = parseEvent(body?.event);
  if (!parsed.ok) return answerRefusal(parsed, 400);
  const expects = await currentVersion(database(), parsed.value);
  if (expects === null) return answerRefusal(refuse('not-found', { id: parsed.value.subjectId }), 404);
  const recorded = await recordEvent(database(), person, { ...parsed.value, expects }, new Date());
  return recorded.ok ? Response.json(recorded.value) : answerRefusal(recorded);
});
