import { answerRefusal, guardRoute } from '@/app/access';
import { refuse } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { parseDto } from '@/dto/parseDto';
import { AnswersDto } from '@/dto/rehearsals/AnswersDto';
import { noteAnswers } from '@/services/rehearsals/noteAnswers';

interface Context {
  readonly params: Promise<{ readonly model: string }>;
}

/** Answers on a practice unit, remembered for the person: `{ answers: [{ item, isRight }] }`. */
export const POST = guardRoute<Context>('POST /api/rehearsals/[model]', async (request, person, { params }) => {
  const { model: modelId } = await params;
  if (!/^[a-z0-9-]{1,60}$/.test(modelId)) return answerRefusal(refuse('not-found', { id: modelId.slice(0, 40) }), 404);
  const parsed = parseDto(AnswersDto, await request.json().catch(() => null));
  if (!parsed.ok) return answerRefusal(parsed, 400);
  const noted = await noteAnswers(database(), { personId: person.id, modelId }, parsed.value.answers, new Date());
  return noted.ok ? Response.json({ noted: noted.value }) : answerRefusal(noted);
});
