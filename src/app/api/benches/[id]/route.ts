import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { parseDto } from '@/dto/parseDto';
import { BenchDto } from '@/dto/people/peopleDtos';
import { saveBench } from '@/services/people/saveBench';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

/** Gives a bench another name, or takes it out of use. */
export const PUT = guardRoute<Context>('PUT /api/benches/[id]', async (request, { id: by }, { params }) => {
  const asked = parseDto(BenchDto, await request.json().catch(() => null));
  if (!asked.ok) return answerRefusal(asked, 400);
  const outcome = await saveBench(database(), (await params).id, asked.value, { at: new Date(), by });
  return outcome.ok ? Response.json(outcome.value) : answerRefusal(outcome);
});
