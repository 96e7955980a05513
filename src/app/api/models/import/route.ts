import { NextResponse } from 'next/server';
import { answerRefusal, guardRoute } from '@/app/access';
import { refuse } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { importModel } from '@/services/models/importModel';

const mostBytes = 2 * 1024 * 1024;

/** Publishes a model document; what is wrong with it comes back with its place. */
export const POST = guardRoute('lead', async (request, person) => {
  const text = await request.text();
  if (text.length > mostBytes) return answerRefusal(refuse('file-too-large', { most: '2 MB' }));
  const outcome = await importModel(database(), text, { at: new Date(), note: 'imported', by: person.name });
  return outcome.ok
    ? NextResponse.json({ id: outcome.value.id, version: outcome.value.version })
    : answerRefusal(outcome);
});
