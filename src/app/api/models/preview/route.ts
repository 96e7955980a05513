import { NextResponse } from 'next/server';
import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { previewModel } from '@/services/models/previewModel';

/** What a document would be if it were taken. Nothing is written. */
export const POST = guardRoute('POST /api/models/preview', async (request) => {
  const text = await request.text();
  const preview = await previewModel(database(), text);
  return preview.ok ? NextResponse.json(preview.value) : answerRefusal(preview);
});
