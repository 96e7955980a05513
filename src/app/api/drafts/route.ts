import { NextResponse } from 'next/server';
import { answerRefusal, guardRoute } from '@/app/access';
import { refuse, type Outcome } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { OpenDraftDto } from '@/dto/models/draftDtos';
import { parseDto } from '@/dto/parseDto';
import { openDraft, type DraftSource } from '@/services/drafts/openDraft';

/** Begins a draft: of a model, of nothing, or of a document. */
export const POST = guardRoute('POST /api/drafts', async (request, person) => {
  const asked = parseDto(OpenDraftDto, await request.json().catch(() => null));
  if (!asked.ok) return answerRefusal(asked);
  const source = sourceOf(asked.value);
  if (!source.ok) return answerRefusal(source);
  const opening = { id: asked.value.id, by: person.name, at: new Date() };
  const outcome = await openDraft(database(), source.value, opening);
  return outcome.ok ? NextResponse.json({ id: outcome.value }) : answerRefusal(outcome);
});

function sourceOf({ from, modelId, maker, name, kind, document }: OpenDraftDto): Outcome<DraftSource> {
  if (from === 'model' && modelId) return { ok: true, value: { from, modelId } };
  if (from === 'nothing' && maker && name && kind) return { ok: true, value: { from, head: { maker, name, kind } } };
  if (from === 'document' && document) return { ok: true, value: { from, document } };
  return refuse('bad-input', { field: 'from', says: 'what the draft begins with is missing' });
}
