import type { Knex } from 'knex';
import type { PricesAsked } from '@/core/prices/judgePrices';
import { atPrices } from '@/core/prices/priceList';
import { previewProposals, type ProposalsPreview } from '@/core/rules/previewRules';
import { accept, type Outcome } from '@/core/shared/outcome';
import { judgeAsked } from '@/data/prices/judgeAsked';
import { currentRules } from '@/data/rules/houseRulesRepository';
import { knowledgeGround } from '@/data/triage/knowledgeGround';
import { waitingAtTriage } from '@/data/triage/waitingAtTriage';

/** What other prices would change for the units that wait at triage now. Nothing is saved. @refuses as `judgePrices` */
export async function readPricesPreview(
  db: Knex,
  asked: PricesAsked & { readonly modelId: string },
  now: Date,
): Promise<Outcome<ProposalsPreview>> {
  const judged = await judgeAsked(db, asked, now);
  if (!judged.ok) return judged;
  const [waiting, ground, rules] = await Promise.all([
    waitingAtTriage(db, now),
    knowledgeGround(db, now),
    currentRules(db),
  ]);
  const priced = <W extends (typeof waiting)[number] | (typeof ground.waiting)[number]>(of: W): W => ({
    ...of,
    model: atPrices(of.model, judged.value, asked.fromDay),
  });
  return accept(
    previewProposals(
      { waiting, ground, rules },
      { waiting: waiting.map(priced), ground: { ...ground, waiting: ground.waiting.map(priced) }, rules },
    ),
  );
}
