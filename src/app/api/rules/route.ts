import { NextResponse } from 'next/server';
import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { parseDto } from '@/dto/parseDto';
import { ChangeRulesDto } from '@/dto/rules/rulesDtos';
import { writeHouseRules } from '@/files/houseRulesDocument';
import { readAside } from '@/workers/documents/readAside';
import { changeRules } from '@/services/rules/changeRules';
import { readRules } from '@/services/rules/readRules';

/** The house rules of today as a document to keep, or to give to another shop. */
export const GET = guardRoute('GET /api/rules', async () => {
  const rules = await readRules(database());
  return new NextResponse(writeHouseRules(rules), {
    headers: {
      'content-type': 'application/json; charset=utf-8',
      'content-disposition': `attachment; filename="house-rules-${rules.version}.json"`,
    },
  });
});

/** Makes a document the rules of today. */
export const PUT = guardRoute('PUT /api/rules', async (request, person) => {
  const asked = parseDto(ChangeRulesDto, await request.json().catch(() => null));
  if (!asked.ok) return answerRefusal(asked);
  const told = await readAside('rules', JSON.stringify(asked.value.document));
  const rules = told.ok ? told.value : told;
  if (!rules.ok) return answerRefusal(rules);
  const made = { at: new Date(), by: person.id, expects: asked.value.expects };
  const outcome = await changeRules(database(), rules.value, made);
  return outcome.ok ? NextResponse.json({ version: outcome.value.version }) : answerRefusal(outcome);
});
