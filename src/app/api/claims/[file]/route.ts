import { answerRefusal, guardRoute } from '@/app/access';
import { refuse } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { writeClaimCsv, writeClaimPdf } from '@/files/writeClaim';
import { readClaim } from '@/services/dock/readClaim';

interface Context {
  readonly params: Promise<{ readonly file: string }>;
}

/** Where a parcel is not what was promised, as `PARCEL-ID.pdf` or `.csv`. */
export const GET = guardRoute<Context>('GET /api/claims/[file]', async (_request, _person, { params }) => {
  const { file } = await params;
  const [, id = '', format] = /^([0-9a-f-]{36})\.(pdf|csv)$/.exec(file) ?? [];
  const sheet = format ? await readClaim(database(), id) : undefined;
  if (!sheet) return answerRefusal(refuse('not-found', { id: file.slice(0, 40) }), 404);
  return format === 'csv'
    ? new Response(writeClaimCsv(sheet), { headers: { 'content-type': 'text/csv; charset=utf-8' } })
    : new Response(new Uint8Array(await writeClaimPdf(sheet)), { headers: { 'content-type': 'application/pdf' } });
});
