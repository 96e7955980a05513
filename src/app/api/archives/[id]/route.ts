import { createReadStream } from 'node:fs';
import { Readable } from 'node:stream';
import { answerRefusal, guardRoute } from '@/app/access';
import { refuse } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { findArchive } from '@/services/reading/readExports';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

/** A file of archived facts, as it lies there. */
export const GET = guardRoute<Context>('GET /api/archives/[id]', async (_request, _person, { params }) => {
  const { id } = await params;
  const archive = /^\d{1,9}$/.test(id) ? await findArchive(database(), Number(id)) : undefined;
  if (!archive) return answerRefusal(refuse('not-found', { id: id.slice(0, 40) }), 404);
  return new Response(Readable.toWeb(createReadStream(archive.path)) as ReadableStream<Uint8Array>, {
    headers: {
      'content-type': 'application/gzip',
      'content-disposition': `attachment; filename="${archive.file}"`,
    },
  });
});
