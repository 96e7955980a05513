import { answerRefusal, guardRoute } from '@/app/access';
import { refuse } from '@/core/shared/outcome';
import { WithoutDto } from '@/dto/match/WithoutDto';
import { parseDto } from '@/dto/parseDto';
import { matchThreads } from '@/workers/match/planAside';

const mostSeconds = 10;

/**
 * What a plan loses when one of its choices is forbidden: the problem comes back from the page that holds it, and is judged as one
 * from outside.
 */
export const POST = guardRoute('POST /api/match-plan/without', async (request) => {
  const body = (await request.json().catch(() => null)) as { problem?: unknown } | null;
  const { problem = null, ...choiceAsked } = body ?? {};
  const asked = parseDto(WithoutDto, body && choiceAsked);
  if (!asked.ok) return answerRefusal(asked, 400);
  const { cents, tag, fate, grade, slot, from, instead } = asked.value;
  if (slot !== undefined && from === undefined)
    return answerRefusal(refuse('bad-input', { field: 'from', says: 'it must say from where' }), 400);
  const fateWish =
    instead === undefined
      ? { tag, fate, ...(grade && { grade }), is: 'forbidden' as const }
      : { tag, fate: instead, ...(grade && instead === 'build' && { grade }), is: 'pinned' as const };
  const choice =
    slot === undefined || from === undefined
      ? { wishes: [fateWish] }
      : { slotWishes: [{ tag, slot, from, is: 'forbidden' as const }] };
  const found = await matchThreads.without({ problem, cents, choice, seconds: mostSeconds }, request.signal);
  return found.ok ? Response.json(found.value) : answerRefusal(found);
});
