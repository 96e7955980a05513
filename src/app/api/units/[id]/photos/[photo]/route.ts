import { answerRefusal, guardRoute } from '@/app/access';
import { refuse } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { keepPhoto } from '@/services/photos/keepPhoto';
import { readPhoto } from '@/services/photos/readPhoto';

interface Context {
  readonly params: Promise<{ readonly id: string; readonly photo: string }>;
}

const uuid = /^[0-9a-f-]{36}$/;
const notHere = (id: string) => answerRefusal(refuse('not-found', { id: id.slice(0, 40) }), 404);

/** A picture never changes, so the browser keeps it. */
export const GET = guardRoute<Context>('GET /api/units/[id]/photos/[photo]', async (_request, _person, { params }) => {
  const { id, photo } = await params;
  const jpeg = uuid.test(id) && uuid.test(photo) ? await readPhoto(database(), id, photo) : undefined;
  if (!jpeg) return notHere(photo);
  return new Response(new Uint8Array(jpeg), {
    headers: { 'content-type': 'image/jpeg', 'cache-control': 'private, max-age=31536000, immutable' },
  });
});

/** Keeps a picture under an id that the browser made: sending it twice changes nothing. */
export const PUT = guardRoute<Context>('PUT /api/units/[id]/photos/[photo]', async (request, person, { params }) => {
  const { id, photo } = await params;
  if (!uuid.test(id) || !uuid.test(photo)) return notHere(photo);
  const bytes = new Uint8Array(await request.arrayBuffer());
  const kept = await keepPhoto(database(), { id: photo, unitId: id, bytes }, person, new Date());
  return kept.ok ? Response.json({ kept: photo }) : answerRefusal(kept);
});
