import { NextResponse } from 'next/server';
import { answerRefusal, guardRoute } from '@/app/access';
import { refuse } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { inShopTime } from '@/core/shop/shopTime';
import { isInstant } from '@/dto/times';
import { parseFact } from '@/dto/facts/parseFact';
import { recordFact } from '@/services/facts/recordFact';

const mostAtOnce = 100;

/** Takes facts in, in their order. Each is answered for itself: one that is refused does not hold up the others. */
export const POST = guardRoute('POST /api/facts', async (request, person) => {
  const body = (await request.json().catch(() => null)) as { facts?: unknown; sentAt?: unknown } | null;
  const facts = body?.facts;
  const sentAt = isInstant(body?.sentAt) ? (body?.sentAt as string) : undefined;
  if (!Array.isArray(facts) || facts.length > mostAtOnce) {
    return answerRefusal(
      refuse('bad-input', { field: 'facts', says: `it must be a list of at most ${mostAtOnce} facts` }),
      400,
    );
  }
  const answers: object[] = [];
  for (const given of facts) {
    const parsed = parseFact(given);
    const id = (given as { id?: unknown } | null)?.id ?? null;
    const now = new Date();
    answers.push({
      id,
      ...(parsed.ok ? await recordFact(database(), person, inShopTime(parsed.value, sentAt, now), now) : parsed),
    });
  }
  return NextResponse.json({ answers });
});
