import { NextResponse } from 'next/server';
import { answerRefusal, guardRoute } from '@/app/access';
import { refuse, type Outcome } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { StepChangeDto } from '@/dto/models/openingDtos';
import { parseDto } from '@/dto/parseDto';
import { logStep, type StepChange } from '@/services/openings/logStep';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

/** Logs a step as it happens, or takes one back. */
export const POST = guardRoute<Context>('POST /api/openings/[id]/steps', async (request, _person, { params }) => {
  const asked = parseDto(StepChangeDto, await request.json().catch(() => null));
  if (!asked.ok) return answerRefusal(asked);
  const change = changeOf(asked.value);
  if (!change.ok) return answerRefusal(change);
  const outcome = await logStep(database(), (await params).id, change.value, new Date());
  return outcome.ok ? NextResponse.json({}) : answerRefusal(outcome);
});

function changeOf({ does, log, place, entry, entryId }: StepChangeDto): Outcome<StepChange> {
  if (does === 'log' && log && place && entry) return { ok: true, value: { does, log, place, entry } };
  if (does === 'take-back' && entryId) return { ok: true, value: { does, entryId } };
  return refuse('bad-input', { field: 'does', says: 'what is to be logged or taken back is missing' });
}
