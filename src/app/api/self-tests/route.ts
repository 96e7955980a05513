import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { SelfTestDto } from '@/dto/selfTest/SelfTestDtos';
import { parseDto } from '@/dto/parseDto';
import { openSelfTest } from '@/services/selfTest/openSelfTest';

/** Makes a page on a unit, under a short code. */
export const POST = guardRoute('POST /api/self-tests', async (request, person) => {
  const asked = parseDto(SelfTestDto, await request.json().catch(() => null));
  if (!asked.ok) return answerRefusal(asked, 400);
  const made = await openSelfTest(database(), asked.value, person, new Date());
  return made.ok ? Response.json(made.value) : answerRefusal(made);
});
