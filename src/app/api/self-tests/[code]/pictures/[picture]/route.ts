import { answerRefusal } from '@/app/access';
import { refuse } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { mostPictureBytes } from '@/files/pictureLimits';
import { keepPhoto } from '@/services/photos/keepPhoto';
import { madeSelfTest } from '@/data/selfTest/madeSelfTest';
import { openToUnits } from '../../../openToUnits';

interface Context {
  readonly params: Promise<{ readonly code: string; readonly picture: string }>;
}

const uuid = /^[0-9a-f-]{36}$/;

/** Keeps a picture that a camera under test took, under an id that the page made: sending it twice changes nothing. */
export const PUT = openToUnits<Context>(async (request, { params }) => {
  const { code, picture } = await params;
  if (!uuid.test(picture)) return answerRefusal(refuse('not-found', { id: picture.slice(0, 40) }), 404);
  const test = await madeSelfTest(database(), code, new Date());
  if (!test.ok) return answerRefusal(test, 404);
  const { unitId, person } = test.value;
  const bytes = new Uint8Array(await request.arrayBuffer());
  const kept = await keepPhoto(database(), { id: picture, unitId, bytes }, person, new Date());
  return kept.ok ? Response.json({ kept: picture }) : answerRefusal(kept);
}, mostPictureBytes);
