import { answerRefusal, guardRoute } from '@/app/access';
import { splitTagFile } from '@/app/api/tagFile';
import { refuse } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { writePackingList } from '@/files/writePackingList';
import { readPackingList } from '@/services/send/readPackingList';

interface Context {
  readonly params: Promise<{ readonly file: string }>;
}

/** The packing list of a shipment, as `S-0012.pdf`. */
export const GET = guardRoute<Context>('GET /api/packing-lists/[file]', async (_request, _person, { params }) => {
  const { file } = await params;
  const asked = splitTagFile(file);
  const list = asked?.format === 'pdf' ? await readPackingList(database(), asked.tag) : undefined;
  if (!list) return answerRefusal(refuse('unknown-tag', { tag: asked?.tag ?? file.slice(0, 20) }), 404);
  return new Response(new Uint8Array(await writePackingList(list)), { headers: { 'content-type': 'application/pdf' } });
});
