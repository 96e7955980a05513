import { NextResponse } from 'next/server';
import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { PublishDraftDto } from '@/dto/models/draftDtos';
import { parseDto } from '@/dto/parseDto';
import { publishDraft } from '@/services/drafts/publishDraft';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

/** Publishes a draft as the next version of its model. */
export const POST = guardRoute<Context>('POST /api/drafts/[id]/publish', async (request, person, { params }) => {
  const asked = parseDto(PublishDraftDto, await request.json().catch(() => null));
  if (!asked.ok) return answerRefusal(asked);
  const { expects, note } = asked.value;
  const publication = { at: new Date(), note, by: person.name };
  const outcome = await publishDraft(database(), (await params).id, expects, publication);
  return outcome.ok
    ? NextResponse.json({ id: outcome.value.id, version: outcome.value.version })
    : answerRefusal(outcome);
});
