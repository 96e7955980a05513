import { answerRefusal, guardRoute } from '@/app/access';
import { refuse } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { writeLabelPdf } from '@/files/writeLabelPdf';
import { readLabels } from '@/services/labels/readLabels';
import { readPrinter } from '@/services/labels/readPrinter';

/** The labels that the printer page shows, one a page, for a printer that the browser knows. */
export const GET = guardRoute('GET /api/label-jobs/waiting.pdf', async () => {
  const now = new Date();
  const { jobs } = await readPrinter(database(), now);
  const all = await Promise.all(jobs.map(({ tag }) => readLabels(database(), tag, now)));
  const found = all.filter((one) => one !== undefined);
  const paper = found[0]?.paper;
  if (!paper) return answerRefusal(refuse('not-found'), 404);
  const pdf = await writeLabelPdf(
    found.flatMap(({ labels }) => labels.slice(0, 1)),
    paper,
  );
  return new Response(new Uint8Array(pdf), { headers: { 'content-type': 'application/pdf' } });
});
