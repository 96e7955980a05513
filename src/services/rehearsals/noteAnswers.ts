import { currentRules } from '@/data/rules/houseRulesRepository';
import { shopDay } from '@/core/shared/shopDay';
import type { Knex } from 'knex';
import { afterAnswer, type Recall } from '@/core/rehearsal/recall';
import { accept, type Outcome } from '@/core/shared/outcome';
import { recallsOf, saveRecalls } from '@/data/rehearsals/rehearsalRepository';
import { transaction } from '@/data/transaction';

/** Remembers answers, in their order. Nothing else in the shop changes by it. */
export const noteAnswers = (
  db: Knex,
  about: { readonly personId: string; readonly modelId: string },
  answers: readonly { readonly item: string; readonly isRight: boolean }[],
  now: Date,
): Promise<Outcome<number>> =>
  transaction(db, async (trx) => {
    const known = new Map<string, Recall>(
      (await recallsOf(trx, about.personId, about.modelId, true)).map((recall) => [recall.item, recall]),
    );
    const { shop } = await currentRules(trx);
    const day = shopDay(now.getTime(), shop.timeZone);
    for (const { item, isRight } of answers) known.set(item, afterAnswer(known.get(item), item, isRight, day));
    const touched = [...new Set(answers.map(({ item }) => item))];
    await saveRecalls(
      trx,
      about.personId,
      about.modelId,
      touched.map((item) => known.get(item) as Recall),
    );
    return accept(answers.length);
  });
