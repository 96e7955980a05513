import type { Knex } from 'knex';
import type { UnitStage } from '@/core/entities/stages';

/** A unit's own work is over here. */
const over: readonly UnitStage[] = ['sent', 'spent', 'recycled'];
/** The latest times of a step are what its minutes are learnt from (`timedSteps`). */
const learntFrom = 40;

/**
 * The first position of the log that was taken in at an instant or later, and the one after the last when none was. Positions
 * follow the clock, which is what makes this a matter of some twenty looks.
 */
export async function positionSince(db: Knex, instant: Date): Promise<number> {
  const last = Number(((await db('facts').max({ n: 'position' }).first()) as { n: number | null } | undefined)?.n ?? 0);
  let [low, high] = [1, last + 1];
  while (low < high) {
    const middle = Math.floor((low + high) / 2);
    const row = (await db('facts')
      .where('position', '>=', middle)
      .orderBy('position')
      .first('position', 'server_at')) as { position: number; server_at: Date } | undefined;
    if (!row || row.server_at >= instant) high = middle;
    else low = row.position + 1;
  }
  return low;
}

/**
 * Units that left the shop or were used up before a position of the log, and of which nothing was said since but of their parts.
 * Units whose step times are still learnt from stay.
 */
export async function unitsOver(db: Knex, upTo: number): Promise<readonly string[]> {
  const candidates = (await overBefore(db, upTo).orderBy('u.tag_no').pluck('u.id')) as string[];
  const busy = new Set(await stillLearntFrom(db));
  return candidates.filter((id) => !busy.has(id));
}

/** Those of them that are over, and not in an archive yet. */
export const overBefore = (db: Knex, upTo: number): Knex.QueryBuilder =>
  db('units as u')
    .whereIn('u.stage', [...over])
    .whereRaw('not exists (select 1 from archived_units a where a.unit_id = u.id)')
    .whereRaw('not exists (select 1 from facts e where e.unit_id = u.id and e.subject_id = u.id and e.position >= ?)', [
      upTo,
    ]);

/** Units with one of the latest times of some step. */
async function stillLearntFrom(db: Knex): Promise<readonly string[]> {
  const [rows] = (await db.raw(
    `select distinct unit_id from (
       select e.unit_id, row_number() over (
         partition by e.model_id, substring_index(json_value(e.payload, '$.stepId'), '~', 1) order by e.position desc) as place
       from facts e left join facts back on back.undoes = e.id
       where back.id is null and e.type = 'step-done' and json_value(e.payload, '$.seconds') > 0
     ) timed where place <= ? and unit_id is not null`,
    [learntFrom],
  )) as [{ unit_id: string }[]];
  return rows.map(({ unit_id }) => unit_id);
}
