import { answerRefusal, guardRoute } from '@/app/access';
import { splitTagFile } from '@/app/api/tagFile';
import { refuse } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { drawLabelSvg } from '@/files/drawLabelSvg';
import { writeLabelPdf } from '@/files/writeLabelPdf';
import { readLabel } from '@/services/labels/readLabel';

interface Context {
  readonly params: Promise<{ readonly file: string }>;
}

/** A unit's or part's label, as `TAG.svg` or `TAG.pdf`. */
export const GET = guardRoute<Context>('viewer', async (_request, _person, { params }) => {
  const { file } = await params;
  const asked = splitTagFile(file);
  const label = asked && (await readLabel(database(), asked.tag, new Date()));
  if (!label) return answerRefusal(refuse('unknown-tag', { tag: asked?.tag ?? file.slice(0, 20) }), 404);
  if (asked.format === 'svg')
    return new Response(drawLabelSvg(label.content, label.paper), { headers: { 'content-type': 'image/svg+xml' } });
  const pdf = await writeLabelPdf(label.content, label.paper);
  return new Response(new Uint8Array(pdf), { headers: { 'content-type': 'application/pdf' } });
});
