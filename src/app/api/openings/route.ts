import { NextResponse } from 'next/server';
import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { StartOpeningDto } from '@/dto/models/openingDtos';
import { parseDto } from '@/dto/parseDto';
import { startOpening } from '@/services/openings/startOpening';

/** Begins the log of a first opening. */
export const POST = guardRoute('POST /api/openings', async (request, person) => {
  const asked = parseDto(StartOpeningDto, await request.json().catch(() => null));
  if (!asked.ok) return answerRefusal(asked);
  const { id, ...head } = asked.value;
  const outcome = await startOpening(database(), id, head, person.name, new Date());
  return outcome.ok ? NextResponse.json({ id: outcome.value }) : answerRefusal(outcome);
});
