import { NextResponse } from 'next/server';
import { answerRefusal, guardRoute } from '@/app/access';
import { refuse } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { SaveDraftDto } from '@/dto/models/draftDtos';
import { parseDto } from '@/dto/parseDto';
import { dropDraft } from '@/services/drafts/dropDraft';
import { readDraft } from '@/services/drafts/readDraft';
import { saveDraft } from '@/services/drafts/saveDraft';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

/** The draft as it is now, for whoever takes the other's version. */
export const GET = guardRoute<Context>('GET /api/drafts/[id]', async (_request, _person, { params }) => {
  const draft = await readDraft(database(), (await params).id);
  return draft ? NextResponse.json(draft) : answerRefusal(refuse('not-found'), 404);
});

/** Saves a draft over the version that was seen. */
export const PUT = guardRoute<Context>('PUT /api/drafts/[id]', async (request, person, { params }) => {
  const asked = parseDto(SaveDraftDto, await request.json().catch(() => null));
  if (!asked.ok) return answerRefusal(asked);
  const save = { ...asked.value, id: (await params).id };
  const outcome = await saveDraft(database(), save, person.name, new Date());
  return outcome.ok ? NextResponse.json({ version: outcome.value }) : answerRefusal(outcome);
});

/** Throws a draft away. */
export const DELETE = guardRoute<Context>('DELETE /api/drafts/[id]', async (_request, _person, { params }) => {
  await dropDraft(database(), (await params).id);
  return NextResponse.json({});
});
