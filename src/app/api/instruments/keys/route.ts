import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { InstrumentKeyDto } from '@/dto/instruments/InstrumentKeyDto';
import { parseDto } from '@/dto/parseDto';
import { makeInstrumentKey } from '@/services/instruments/makeInstrumentKey';

/** Makes a key by which an instrument speaks to the bench of whoever asks. */
export const POST = guardRoute('POST /api/instruments/keys', async (request, { id: by, bench }) => {
  const asked = parseDto(InstrumentKeyDto, await request.json().catch(() => null));
  if (!asked.ok) return answerRefusal(asked, 400);
  return Response.json(await makeInstrumentKey(database(), bench, asked.value.name, { at: new Date(), by }));
});
