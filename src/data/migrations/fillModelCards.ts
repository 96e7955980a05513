import type { Knex } from 'knex';
import { cardOf } from '@/core/library/modelCard';
import type { Model } from '@/core/procedure/model';
import { upgradeModel, type FirstModel } from '@/core/procedure/upgradeModel';

/** Cards for the models that were there before cards were. */
export async function fillModelCards(db: Knex): Promise<void> {
  const rows = (await db('models').select('document').orderBy('version')) as { document: Model | FirstModel }[];
  const newest = new Map(rows.map(({ document }) => [document.id, document]));
  const cards = [...newest.values()].map((document) => cardOf(upgradeModel(document)));
  if (cards.length === 0) return;
  await db('model_cards').insert(
    cards.map((card) => ({
      id: card.id,
      version: card.version,
      name: `${card.maker} ${card.name}`,
      kind: card.kind,
      card: JSON.stringify(card),
    })),
  );
}
