import { NextResponse } from 'next/server';
import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { parseMapping } from '@/dto/dock/ImportManifestDto';
import { previewManifest } from '@/services/dock/previewManifest';
import { uploadedFile } from '@/app/uploadedFile';

/** Reads a manifest and says what would be taken, or what is missing for it. Nothing is written. */
export const POST = guardRoute('POST /api/manifest/preview', async (request) => {
  const file = await uploadedFile(request);
  if (!file.ok) return answerRefusal(file);
  const { form, bytes } = file.value;
  const mapping = parseMapping(form.get('mapping'));
  if (!mapping.ok) return answerRefusal(mapping);
  const parcelId = form.get('parcelId')?.toString();
  const preview = await previewManifest(database(), bytes, { parcelId, mapping: mapping.value });
  if (!preview.ok) return answerRefusal(preview);
  const { read, ...about } = preview.value;
  if (!read.ok)
    return NextResponse.json({
      ...about,
      unread: read.refusal,
      lineCount: 0,
      firstLines: [],
      badRows: [],
      columns: {},
    });
  const { lines, ...rest } = read.value;
  return NextResponse.json({ ...about, ...rest, unread: null, lineCount: lines.length, firstLines: lines.slice(0, 8) });
});
