import { answerRefusal, guardRoute } from '@/app/access';
import { splitTagFile } from '@/app/api/tagFile';
import { refuse } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { writeRunSheet } from '@/files/writeRunSheet';
import { readRunSheet } from '@/services/bench/readRunSheet';

interface Context {
  readonly params: Promise<{ readonly file: string }>;
}

/** The run sheet of a unit on paper, with tray map and cautions: `/api/run-sheets/U-0747.pdf`. */
export const GET = guardRoute<Context>('GET /api/run-sheets/[file]', async (_request, _person, { params }) => {
  const { file } = await params;
  const asked = splitTagFile(file);
  const sheet = asked?.format === 'pdf' ? await readRunSheet(database(), asked.tag) : undefined;
  if (!sheet) return answerRefusal(refuse('not-found', { id: file.slice(0, 40) }), 404);
  return new Response(new Uint8Array(await writeRunSheet(sheet)), { headers: { 'content-type': 'application/pdf' } });
});
