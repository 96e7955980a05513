import type { Knex } from 'knex';
import { findCards, type CardQuery } from '@/core/library/findCards';
import type { ModelCard } from '@/core/library/modelCard';
import { modelCards } from '@/data/models/modelRepository';

export interface LibraryView {
  readonly cards: readonly ModelCard[];
  /** How many answer, of which only the first are sent. */
  readonly found: number;
  readonly total: number;
  readonly makers: readonly string[];
}

const most = 60;

/** Models of the library that answer a query, best first. */
export async function findModels(db: Knex, query: CardQuery): Promise<LibraryView> {
  const all = await modelCards(db);
  const found = findCards(all, query);
  return {
    cards: found.slice(0, most),
    found: found.length,
    total: all.length,
    makers: [...new Set(all.map(({ maker }) => maker))].sort(),
  };
}
