import { NextResponse } from 'next/server';
import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { parseDto } from '@/dto/parseDto';
import { LookAtRulesDto } from '@/dto/rules/rulesDtos';
import { readAside } from '@/workers/documents/readAside';
import { readRulesPreview } from '@/services/rules/readRulesPreview';

/** What a document of house rules would change. Nothing is saved. */
export const POST = guardRoute('POST /api/rules/preview', async (request) => {
  const asked = parseDto(LookAtRulesDto, await request.json().catch(() => null));
  if (!asked.ok) return answerRefusal(asked);
  const told = await readAside('rules', JSON.stringify(asked.value.document));
  const rules = told.ok ? told.value : told;
  if (!rules.ok) return answerRefusal(rules);
  return NextResponse.json(await readRulesPreview(database(), rules.value, new Date()));
});
