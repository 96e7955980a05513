import { NextResponse } from 'next/server';
import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { DraftOpeningDto } from '@/dto/models/openingDtos';
import { parseDto } from '@/dto/parseDto';
import { draftOpening } from '@/services/openings/draftOpening';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

/** Makes a draft of what was logged. */
export const POST = guardRoute<Context>('POST /api/openings/[id]/draft', async (request, person, { params }) => {
  const asked = parseDto(DraftOpeningDto, await request.json().catch(() => null));
  if (!asked.ok) return answerRefusal(asked);
  const outcome = await draftOpening(database(), (await params).id, asked.value.draftId, person.name, new Date());
  return outcome.ok ? NextResponse.json({ id: outcome.value }) : answerRefusal(outcome);
});
