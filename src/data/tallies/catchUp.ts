import type { Knex } from 'knex';
import { tallyChange, type Tally } from '@/core/tallies/tally';
import { talliesOf } from '@/core/tallies/talliesOf';
import { lastPosition } from '@/data/facts/factRepository';
import { inTransaction } from '@/data/transaction';
import type { FactRow, PartRow, TalliedRow, UnitTalliesRow } from '@/data/rows';
import { tallyGrounds } from './tallyGrounds';
import { fromTally, fromUnitTally, toUnitTally } from './tallyRows';

/** So many facts, or units, are counted in one transaction. */
const stretch = 2000;
const unitsAtOnce = 200;
/** Beside the work a stretch is shorter: facts wait while it is added up. */
const unitsBeside = 50;
const rowsAtOnce = 400;

export type TalliedState = Pick<TalliedRow, 'generation' | 'revision'>;

/**
 * Brings the tallies up to the end of the log: the units that were spoken of since are counted anew, and what changed is
 * added. Nothing here takes part in a fact's own transaction, which others wait for; whoever reads a tally catches up first,
 * so that it holds every fact that was acknowledged before. Of several who do so at once one counts, and the others wait.
 *
 * @returns which generation is shown, and how often it has changed
 */
export async function catchUp(db: Knex): Promise<TalliedState> {
  for (;;) {
    const [state, last] = await Promise.all([stateOf(db), lastPosition(db)]);
    if (state.generation > 0 && state.position >= last) return state;
    await inTransaction(db, async (trx) => {
      const now = await stateOf(trx, true);
      // Somebody else may have done it while this waited.
      if (now.generation === 0) await countNext(trx, now, new Date());
      else if (now.position < last) await countOn(trx, now);
    });
  }
}

/**
 * Counts the shop anew from its first unit to its last, some units a call, beside the tallies that are shown: work goes on,
 * and when the last unit is done the new ones take their place. Where they say something else, the old ones were wrong.
 *
 * @returns true when that was the last
 */
export const recount = (db: Knex, now: Date): Promise<boolean> =>
  inTransaction(db, async (trx) => countNext(trx, await stateOf(trx, true), now));

async function countNext(trx: Knex, state: TalliedRow, now: Date, atOnce = unitsAtOnce): Promise<boolean> {
  const { generation, revision, next_to: nextTo } = state;
  const own = trx('tallied').where({ id: 1 });
  if (nextTo === null) {
    await own.update({ next_to: '', begun_at: now });
    return false;
  }
  const units = await unitsAfter(trx, nextTo, atOnce);
  if (units.length > 0) {
    await countUnits(trx, units, { generations: [generation + 1], revision: revision + 1 });
    await own.update({ next_to: units.at(-1), revision: revision + 1 });
    return false;
  }
  // What happened while the last units were counted is counted in both, so that only mistakes differ.
  for (let at = state; at.position < (await lastPosition(trx)); at = await stateOf(trx)) await countOn(trx, at);
  const wrong = generation === 0 ? 0 : await differences(trx, generation);
  await own.update({
    generation: generation + 1,
    revision: revision + 2,
    next_to: null,
    ...(wrong > 0 && { mended: trx.raw('mended + ?', [wrong]), mended_at: now }),
  });
  for (const table of ['tallies', 'unit_tallies']) await trx(table).where({ generation }).delete();
  return true;
}

/**
 * Some units of a recount, if one is under way or the last began so long ago. Of several processes that look at the same moment
 * each finds what the one before left.
 *
 * @returns whether there was something to do
 */
export const recountWhenDue = (db: Knex, now: Date, everyMs: number): Promise<boolean> =>
  inTransaction(db, async (trx) => {
    const state = await stateOf(trx, true);
    const { generation, next_to: nextTo, begun_at: begunAt } = state;
    const isDue = nextTo !== null || begunAt === null || now.getTime() - begunAt.getTime() > everyMs;
    if (generation === 0 || !isDue) return false;
    await countNext(trx, state, now, unitsBeside);
    return true;
  });

/** How many counts were found to be wrong and put right so far, and when the last was; null while none ever was. */
export async function mendedCounts(db: Knex): Promise<{ readonly count: number; readonly at: Date } | null> {
  const { mended, mended_at: at } = await stateOf(db);
  return at === null ? null : { count: mended, at };
}

/** How many tallies are other than those of the next generation. */
async function differences(trx: Knex, generation: number): Promise<number> {
  const missing = (one: number, other: number) =>
    trx('tallies as t')
      .leftJoin('tallies as o', (join) => {
        join.on('o.generation', trx.raw('?', [other]));
        for (const column of ['kind', 'model_id', 'parcel_id', 'about', 'more'])
          join.andOn(`o.${column}`, `t.${column}`);
      })
      .where('t.generation', one)
      .whereRaw('not (t.n <=> coalesce(o.n, 0) and t.good <=> coalesce(o.good, 0))');
  const [changed, added] = await Promise.all([
    missing(generation, generation + 1)
      .count({ n: '*' })
      .first() as Promise<{ n: number }>,
    missing(generation + 1, generation)
      .whereNull('o.kind')
      .count({ n: '*' })
      .first() as Promise<{ n: number }>,
  ]);
  return Number(changed.n) + Number(added.n);
}

const stateOf = async (db: Knex, isLocked = false): Promise<TalliedRow> => {
  const query = db('tallied').where({ id: 1 }).first();
  return (await (isLocked ? query.forUpdate() : query)) as TalliedRow;
};

/** One stretch of the log further, in the generation that is shown and in as much as there is of the next. */
async function countOn(trx: Knex, { position, generation, revision, next_to: nextTo }: TalliedRow): Promise<void> {
  const upTo = Math.min(await lastPosition(trx), position + stretch);
  const units = await spokenOf(trx, position, upTo);
  const at = revision + 1;
  let changed = 0;
  for (let from = 0; from < units.length; from += unitsAtOnce) {
    const some = units.slice(from, from + unitsAtOnce);
    const done = nextTo === null ? [] : some.filter((id) => id <= nextTo);
    const open = some.filter((id) => !done.includes(id));
    changed += await countUnits(trx, done, { generations: [generation, generation + 1], revision: at });
    changed += await countUnits(trx, open, { generations: [generation], revision: at });
  }
  await trx('tallied')
    .where({ id: 1 })
    .update({ position: upTo, revision: revision + Number(changed > 0) });
}

/** The next units and bought parts by id. */
async function unitsAfter(trx: Knex, id: string, limit: number): Promise<readonly string[]> {
  const next = (query: Knex.QueryBuilder) =>
    query.where('id', '>', id).orderBy('id').limit(limit).pluck('id') as unknown as Promise<string[]>;
  const [units, parts] = await Promise.all([next(trx('units')), next(trx('parts').where({ is_bought: 1 }))]);
  return [...units, ...parts].sort().slice(0, limit);
}

/** Units that the facts of a stretch were about, or from which a part came that they were about. */
async function spokenOf(trx: Knex, after: number, upTo: number): Promise<readonly string[]> {
  if (after === upTo) return [];
  const within = (query: Knex.QueryBuilder, column: string) =>
    query.where(column, '>', after).where(column, '<=', upTo);
  const [own, ofParts] = await Promise.all([
    within(trx('facts').whereNotNull('unit_id').distinct('unit_id'), 'position') as Promise<Pick<FactRow, 'unit_id'>[]>,
    within(
      trx('fact_parts as f').join('parts as p', 'p.id', 'f.part_id').distinct('p.unit_id'),
      'f.position',
    ) as Promise<Pick<PartRow, 'unit_id'>[]>,
  ]);
  return [...new Set([...own, ...ofParts].flatMap(({ unit_id }) => unit_id ?? []))].sort();
}

/** Counts units anew, in some generations. @returns how many changed in any */
async function countUnits(
  trx: Knex,
  unitIds: readonly string[],
  { generations, revision }: { readonly generations: readonly number[]; readonly revision: number },
): Promise<number> {
  if (unitIds.length === 0) return 0;
  const grounds = await tallyGrounds(trx, unitIds);
  const now = new Map([...grounds].map(([id, ground]) => [id, talliesOf(ground)]));
  const gone = unitIds.filter((id) => !now.has(id));
  const changed = new Set<string>();
  for (const generation of generations) {
    if (generation === 0) continue;
    const kept = await keptOf(trx, unitIds, generation);
    const changes: Tally[] = [];
    const renewed: { generation: number; unit_id: string; tallies: string }[] = [];
    for (const id of unitIds) {
      const tallies = now.get(id) ?? [];
      const change = tallyChange(kept.get(id) ?? [], tallies);
      if (change.length === 0) continue;
      changes.push(...change);
      changed.add(id);
      renewed.push({ generation, unit_id: id, tallies: JSON.stringify(tallies.map(fromUnitTally)) });
    }
    const rows = tallyChange([], changes).map((change) => fromTally(change, { generation, revision }));
    for (let from = 0; from < rows.length; from += rowsAtOnce)
      await trx('tallies')
        .insert(rows.slice(from, from + rowsAtOnce))
        .onConflict()
        .merge({ n: trx.raw('n + values(n)'), good: trx.raw('good + values(good)'), revision });
    if (renewed.length > 0) await trx('unit_tallies').insert(renewed).onConflict().merge(['tallies']);
    if (gone.length > 0) await trx('unit_tallies').where({ generation }).whereIn('unit_id', gone).delete();
  }
  return changed.size;
}

async function keptOf(
  trx: Knex,
  unitIds: readonly string[],
  generation: number,
): Promise<ReadonlyMap<string, readonly Tally[]>> {
  const rows = (await trx('unit_tallies')
    .where({ generation })
    .whereIn('unit_id', [...unitIds])) as UnitTalliesRow[];
  return new Map(rows.map(({ unit_id, tallies }) => [unit_id, tallies.map(toUnitTally)]));
}
