import { NextResponse } from 'next/server';
import { answerRefusal, guardRoute } from '@/app/access';
import { refuse } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { previewModel } from '@/services/models/previewModel';

const mostBytes = 2 * 1024 * 1024;

/** What a document would be if it were taken. Nothing is written. */
export const POST = guardRoute('lead', async (request) => {
  const text = await request.text();
  if (text.length > mostBytes) return answerRefusal(refuse('file-too-large', { most: '2 MB' }));
  return NextResponse.json(await previewModel(database(), text));
});
