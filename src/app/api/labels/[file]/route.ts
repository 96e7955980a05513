import { answerRefusal, guardRoute } from '@/app/access';
import { splitLabelFile } from '@/app/api/tagFile';
import { refuse } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { drawLabelSvg } from '@/files/drawLabelSvg';
import type { LabelContent } from '@/files/labelContent';
import { writeLabelPdf } from '@/files/writeLabelPdf';
import { readLabels } from '@/services/labels/readLabels';

interface Context {
  readonly params: Promise<{ readonly file: string }>;
}

/** The label of a unit, part or bin, as `TAG.svg` or `TAG.pdf`; `BIN-A.pdf` has those of all bins of rack A. */
export const GET = guardRoute<Context>('GET /api/labels/[file]', async (_request, _person, { params }) => {
  const { file } = await params;
  const asked = splitLabelFile(file);
  const found = asked && (await readLabels(database(), asked.tag, new Date()));
  if (!found) return answerRefusal(refuse('unknown-tag', { tag: asked?.tag ?? file.slice(0, 20) }), 404);
  if (asked.format === 'svg')
    return new Response(drawLabelSvg(found.labels[0] as LabelContent, found.paper), {
      headers: { 'content-type': 'image/svg+xml' },
    });
  const pdf = await writeLabelPdf(found.labels, found.paper);
  return new Response(new Uint8Array(pdf), { headers: { 'content-type': 'application/pdf' } });
});
