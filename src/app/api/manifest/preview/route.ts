import { NextResponse } from 'next/server';
import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { previewManifest } from '@/services/dock/previewManifest';
import { uploadedFile } from '../uploadedFile';

/** Reads a manifest and says what would be taken. Nothing is written. */
export const POST = guardRoute('technician', async (request) => {
  const file = await uploadedFile(request);
  if (!file.ok) return answerRefusal(file);
  const preview = await previewManifest(database(), file.value.bytes);
  if (!preview.ok) return answerRefusal(preview);
  const { lines, ...rest } = preview.value;
  return NextResponse.json({ ...rest, lineCount: lines.length, firstLines: lines.slice(0, 8) });
});
