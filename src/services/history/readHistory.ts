import type { Knex } from 'knex';
import type { WorkBench } from '@/core/people/benches';
import { factKinds, type FactKind } from '@/core/shop/facts';
import type { HistoryQuery } from '@/core/shop/historyQuery';
import { withNames, type Named } from '@/core/shop/namedIn';
import { shopDay } from '@/core/shared/shopDay';
import { listArchives } from '@/data/archive/archiveRepository';
import { filterOf } from '@/data/facts/factFilter';
import { latestFacts, type ListedFact } from '@/data/facts/latestFacts';
import { modelsOfUnits } from '@/data/models/modelsOfUnits';
import { listBenches } from '@/data/people/benchRepository';
import { listMembers } from '@/data/people/peopleRepository';
import { currentRules } from '@/data/rules/houseRulesRepository';

export interface HistoryFact {
  readonly fact: Named<ListedFact>;
  /** The shop's day on which it happened, ISO. */
  readonly day: string;
}

export interface HistoryView {
  readonly query: HistoryQuery;
  readonly facts: readonly HistoryFact[];
  /** Where the next page begins; null when this is the last. */
  readonly next: number | null;
  readonly people: readonly { readonly id: string; readonly name: string }[];
  readonly benches: readonly WorkBench[];
  readonly kinds: readonly FactKind[];
  /** The shop's day, ISO. */
  readonly today: string;
  /** How many facts are not in the log any more, but in archives. */
  readonly archived: number;
}

const pageRows = 60;

/** One page of what happened, newest first. */
export async function readHistory(db: Knex, query: HistoryQuery, now: Date): Promise<HistoryView> {
  const [{ shop }, people, benches, archives] = await Promise.all([
    currentRules(db),
    listMembers(db),
    listBenches(db),
    listArchives(db),
  ]);
  const facts = await latestFacts(db, pageRows + 1, filterOf(query, shop.timeZone));
  const shown = facts.slice(0, pageRows);
  const named = withNames(shown, await modelsOfUnits(db, shown));
  return {
    query,
    facts: named.map((fact) => ({ fact, day: shopDay(fact.at, shop.timeZone) })),
    next: facts.length > pageRows ? (shown.at(-1)?.position ?? null) : null,
    people: people.map(({ id, name }) => ({ id, name })),
    benches,
    kinds: Object.keys(factKinds) as FactKind[],
    today: shopDay(now.getTime(), shop.timeZone),
    archived: archives.reduce((sum, { facts: own }) => sum + own, 0),
  };
}
