import type { Knex } from 'knex';
import type { HouseRules } from '@/core/shared/houseRules';
import type { HouseRulesRow } from '@/data/rows';

const toRules = ({ version, rules }: Pick<HouseRulesRow, 'version' | 'rules'>): HouseRules => ({ ...rules, version });

/** The rules of today. */
export async function currentRules(db: Knex): Promise<HouseRules> {
  const row = (await db('house_rules').orderBy('version', 'desc').first()) as HouseRulesRow | undefined;
  if (!row) throw new Error('currentRules: this database has no house rules; migrate it first');
  return toRules(row);
}

export async function findRules(db: Knex, version: number): Promise<HouseRules | undefined> {
  const row = (await db('house_rules').where({ version }).first()) as HouseRulesRow | undefined;
  return row && toRules(row);
}

/** Every version, the oldest first. */
export async function ruleBook(db: Knex): Promise<readonly HouseRules[]> {
  return ((await db('house_rules').orderBy('version')) as HouseRulesRow[]).map(toRules);
}

export interface RulesChange {
  readonly rules: HouseRules;
  /** ISO in UTC. */
  readonly at: string;
  /** Name of the person; null when the shop's own command did it. */
  readonly by: string | null;
}

/** Who made which version and when, newest first. */
export async function rulesHistory(db: Knex): Promise<readonly RulesChange[]> {
  const rows = (await db('house_rules as h')
    .leftJoin('people as p', 'p.id', 'h.changed_by')
    .orderBy('h.version', 'desc')
    .select('h.version', 'h.rules', 'h.changed_at', 'p.name')) as (HouseRulesRow & { name: string | null })[];
  return rows.map((row) => ({ rules: toRules(row), at: row.changed_at.toISOString(), by: row.name }));
}

/**
 * Adds the next version. Two at once: the second meets the first's primary key, and is retried or refused by the caller.
 *
 * @param by  id of the person; null when the shop's own command did it
 */
export async function insertRules(
  trx: Knex,
  { version, ...rules }: HouseRules,
  made: { readonly at: Date; readonly by: string | null },
): Promise<void> {
  await trx('house_rules').insert({ version, rules: JSON.stringify(rules), changed_at: made.at, changed_by: made.by });
}
