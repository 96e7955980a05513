import { answerRefusal, guardRoute } from '@/app/access';
import { MoreDto } from '@/dto/match/MoreDto';
import { parseDto } from '@/dto/parseDto';
import { matchThreads } from '@/workers/match/planAside';

const mostSeconds = 10;

/** What one more part or unit would bring: the problem comes back from the page that holds it, and is judged as one from outside. */
export const POST = guardRoute('POST /api/match-plan/more', async (request) => {
  const body = (await request.json().catch(() => null)) as { problem?: unknown } | null;
  const { problem = null, ...rest } = body ?? {};
  const asked = parseDto(MoreDto, body && rest);
  if (!asked.ok) return answerRefusal(asked, 400);
  const found = await matchThreads.more({ problem, cents: asked.value.cents, seconds: mostSeconds }, request.signal);
  return found.ok ? Response.json({ more: found.value }) : answerRefusal(found);
});
