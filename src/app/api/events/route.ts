import { NextResponse } from 'next/server';
import { answerRefusal, guardRoute } from '@/app/access';
import { refuse } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { parseEvent } from '@/dto/events/parseEvent';
import { recordEvent } from '@/services/events/recordEvent';

const mostAtOnce = 100;

/** Takes facts in, in their order. Each is answered for itself: one that is refused does not hold up the others. */
export const POST = guardRoute('technician', async (request, person) => {
  const body = (await request.json().catch(() => null)) as { events?: unknown } | null;
  const events = body?.events;
  if (!Array.isArray(events) || events.length > mostAtOnce) {
    return answerRefusal(
      refuse('bad-input', { field: 'events', says: `it must be a list of at most ${mostAtOnce} facts` }),
      400,
    );
  }
  const answers: object[] = [];
  for (const given of events) {
    const parsed = parseEvent(given);
    const id = (given as { id?: unknown } | null)?.id ?? null;
    answers.push({ id, ...(parsed.ok ? await recordEvent(database(), person, parsed.value, new Date()) : parsed) });
  }
  return NextResponse.json({ answers });
});
