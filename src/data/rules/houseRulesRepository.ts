import type { Knex } from 'knex';
import type { HouseRules } from '@/core/shared/houseRules';
import { memory } from '@/data/kept';
import type { HouseRulesRow } from '@/data/rows';

const toRules = ({ version, rules }: Pick<HouseRulesRow, 'version' | 'rules'>): HouseRules => ({ ...rules, version });

/** A version never changes: every request asks which is today's, and few need to read it. */
const versions = memory<HouseRules>();

/** The rules of today. */
export async function currentRules(db: Knex): Promise<HouseRules> {
  const newest = (await db('house_rules').max({ version: 'version' }).first()) as
    { version: number | null } | undefined;
  const rules = newest?.version == null ? undefined : await findRules(db, newest.version);
  if (!rules) throw new Error('currentRules: this database has no house rules; migrate it first');
  return rules;
}

export async function findRules(db: Knex, version: number): Promise<HouseRules | undefined> {
  const known = versions(db).get(String(version));
  if (known) return known;
  const row = (await db('house_rules').where({ version }).first()) as HouseRulesRow | undefined;
  if (!row) return undefined;
  const rules = toRules(row);
  versions(db).set(String(version), rules);
  return rules;
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
