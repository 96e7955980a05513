import { answerRefusal, guardRoute } from '@/app/access';
import type { Refusal } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { AcceptPlanDto } from '@/dto/match/AcceptPlanDto';
import { parseDto } from '@/dto/parseDto';
import { acceptUnit, inOrder, type Done } from './acceptUnit';

/** Accepts units of a plan, each by itself: one that has changed meanwhile is told and holds up no other. */
export const POST = guardRoute('POST /api/match-plan/accept', async (request, person) => {
  const asked = parseDto(AcceptPlanDto, await request.json().catch(() => null));
  if (!asked.ok) return answerRefusal(asked, 400);
  const done: Done[] = [];
  const refused: { readonly id: string; readonly refusal: Refusal }[] = [];
  for (const unit of inOrder(asked.value.units)) {
    const outcome = await acceptUnit(database(), person, unit, new Date());
    if (outcome.ok) done.push(outcome.value);
    else refused.push({ id: unit.id, refusal: outcome.refusal });
  }
  return Response.json({ done, refused });
});
