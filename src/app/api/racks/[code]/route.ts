import { answerRefusal, guardRoute } from '@/app/access';
import { refuse } from '@/core/shared/outcome';
import { isRackCode } from '@/core/shelf/racks';
import { database } from '@/data/connection';
import { parseDto } from '@/dto/parseDto';
import { RackDto } from '@/dto/shelf/rackDto';
import { saveRack } from '@/services/shelf/saveRack';

interface Context {
  readonly params: Promise<{ readonly code: string }>;
}

/** Adds the rack of these letters, or changes it. */
export const PUT = guardRoute<Context>('PUT /api/racks/[code]', async (request, { id: by }, { params }) => {
  const { code } = await params;
  if (!isRackCode(code)) return answerRefusal(refuse('not-found', { code }));
  const asked = parseDto(RackDto, await request.json().catch(() => null));
  if (!asked.ok) return answerRefusal(asked, 400);
  const outcome = await saveRack(database(), { code, ...asked.value }, { at: new Date(), by });
  return outcome.ok ? Response.json(outcome.value) : answerRefusal(outcome);
});
