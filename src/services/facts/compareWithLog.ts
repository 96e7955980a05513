import { isDeepStrictEqual } from 'node:util';
import type { Knex } from 'knex';
import type { EntityKind } from '@/core/entities/entities';
import type { RecordedFact } from '@/core/shop/facts';
import { replay } from '@/core/shop/replay';
import { allEntities, entityTables } from '@/data/facts/entityTables';
import { factsAfter } from '@/data/facts/factRepository';
import { ruleBook } from '@/data/rules/houseRulesRepository';
import { allModels } from '@/data/models/modelRepository';

export interface LogComparison {
  readonly facts: number;
  readonly things: number;
  /** Things that the tables and the log disagree about, as `kind id`. */
  readonly differences: readonly string[];
}

/** Rebuilds the state from the log and holds every table against it. */
export async function compareWithLog(db: Knex): Promise<LogComparison> {
  const facts = await wholeLog(db);
  const world = replay(facts, await allModels(db), await ruleBook(db));
  const differences: string[] = [];
  let things = 0;
  for (const kind of Object.keys(entityTables) as EntityKind[]) {
    const stored = new Map((await allEntities(db, kind)).map((entity) => [entity.id, entity]));
    const rebuilt = world.tables[kind] as ReadonlyMap<string, object>;
    things += rebuilt.size;
    for (const id of new Set([...stored.keys(), ...rebuilt.keys()])) {
      if (!isDeepStrictEqual(stored.get(id), plain(rebuilt.get(id)))) differences.push(`${kind} ${id}`);
    }
  }
  return { facts: facts.length, things, differences };
}

/** As it comes out of a JSON column: an absent optional is no key. */
const plain = (entity: object | undefined): unknown => entity && JSON.parse(JSON.stringify(entity));

async function wholeLog(db: Knex): Promise<readonly RecordedFact[]> {
  const facts: RecordedFact[] = [];
  for (let chunk = await factsAfter(db, 0, 1000); chunk.length > 0; chunk = await factsAfter(db, facts.length, 1000)) {
    facts.push(...chunk);
  }
  return facts;
}
