import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { parseDto } from '@/dto/parseDto';
import { ReadKeyDto } from '@/dto/reading/readingDtos';
import { makeReadKey } from '@/services/reading/makeReadKey';

/** Makes a key by which a program reads along; the answer carries it, this once. */
export const POST = guardRoute('POST /api/read-keys', async (request, { id: by }) => {
  const asked = parseDto(ReadKeyDto, await request.json().catch(() => null));
  if (!asked.ok) return answerRefusal(asked, 400);
  return Response.json(await makeReadKey(database(), asked.value.name, { at: new Date(), by }));
});
