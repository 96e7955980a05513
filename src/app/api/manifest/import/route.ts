import { NextResponse } from 'next/server';
import { answerRefusal, guardRoute } from '@/app/access';
import type { Fact } from '@/core/shop/facts';
import { refuse } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { parseDto } from '@/dto/parseDto';
import { ImportManifestDto, parseMapping } from '@/dto/dock/ImportManifestDto';
import { previewManifest } from '@/services/dock/previewManifest';
import { rememberColumns } from '@/services/dock/rememberColumns';
import { recordFact } from '@/services/facts/recordFact';
import { uploadedFile } from '@/app/uploadedFile';

/** Takes the good rows of a manifest in as one fact. The same id sent twice takes them in once. */
export const POST = guardRoute('POST /api/manifest/import', async (request, person) => {
  const file = await uploadedFile(request);
  if (!file.ok) return answerRefusal(file);
  const { form, bytes, name } = file.value;
  const asked = parseDto(ImportManifestDto, {
    factId: form.get('factId'),
    parcelId: form.get('parcelId'),
    expects: Number(form.get('expects')),
    takesGoodRowsOnly: form.get('takesGoodRowsOnly') === 'yes',
  });
  if (!asked.ok) return answerRefusal(asked);
  const mapping = parseMapping(form.get('mapping'));
  if (!mapping.ok) return answerRefusal(mapping);
  const about = { parcelId: asked.value.parcelId, mapping: mapping.value };
  const preview = await previewManifest(database(), bytes, about);
  if (!preview.ok) return answerRefusal(preview);
  const { read, head } = preview.value;
  if (!read.ok) return answerRefusal(read);
  if (read.value.badRows.length > 0 && !asked.value.takesGoodRowsOnly) {
    return answerRefusal(
      refuse('bad-input', { field: 'file', says: `${read.value.badRows.length} rows have a problem` }),
    );
  }
  const now = new Date();
  const fact: Fact<'lines-expected'> = {
    id: asked.value.factId,
    type: 'lines-expected',
    subjectId: asked.value.parcelId,
    expects: asked.value.expects,
    at: now.toISOString(),
    payload: { fileName: name, lines: read.value.lines },
  };
  const outcome = await recordFact(database(), person, fact, now);
  // Said once, it holds for the supplier's next list too.
  if (outcome.ok && mapping.value)
    await rememberColumns(database(), asked.value.parcelId, { mapping: mapping.value, head });
  return outcome.ok ? NextResponse.json({ taken: read.value.lines.length }) : answerRefusal(outcome);
});
