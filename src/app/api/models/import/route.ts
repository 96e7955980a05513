import { NextResponse } from 'next/server';
import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { importModel } from '@/services/models/importModel';

/** Publishes a model document; what is wrong with it comes back with its place. */
export const POST = guardRoute('POST /api/models/import', async (request, person) => {
  const text = await request.text();
  const outcome = await importModel(database(), text, { at: new Date(), note: 'imported', by: person.name });
  return outcome.ok
    ? NextResponse.json({ id: outcome.value.id, version: outcome.value.version })
    : answerRefusal(outcome);
});
