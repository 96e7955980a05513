import type { Knex } from 'knex';
import type { OutcomeCount } from '@/core/yields/harvestYield';

/**
 * Harvest outcomes per model and part, from the log alone. Sought: every part that a teardown freed or found broken or
 * missing, once its fate is known. Good: graded A, B or C by the last standing grade.
 */
export async function outcomeCounts(db: Knex): Promise<readonly OutcomeCount[]> {
  const [rows] = (await db.raw(`
    with standing as (
      select e.* from events e left join events back on back.undoes = e.id where back.id is null
    ), freed as (
      select e.model_id, j.part_ref, j.part_id, j.state
      from standing e
      join json_table(e.payload, '$.freed[*]' columns (
        part_id varchar(36) path '$.partId', part_ref varchar(60) path '$.partRef', state varchar(16) path '$.state')) j
      where e.type = 'step-done' and exists (
        select 1 from standing d
        where d.type = 'unit-decided' and d.unit_id = e.unit_id and json_value(d.payload, '$.disposition') = 'donor')
    ), graded as (
      select part_id, json_value(payload, '$.verdict.grade') as grade,
             row_number() over (partition by part_id order by position desc) as newness
      from standing where type = 'part-graded'
    )
    select f.model_id as modelId, f.part_ref as partRef,
           cast(sum(coalesce(g.grade in ('A', 'B', 'C'), 0)) as signed) as good, count(*) as sought
    from freed f
    left join graded g on g.part_id = f.part_id and g.newness = 1
    where f.state in ('broken-by-us', 'broken-before', 'missing') or g.grade is not null
    group by f.model_id, f.part_ref`)) as [OutcomeCount[]] | [OutcomeCount[], unknown];
  return rows.map(({ modelId, partRef, good, sought }) => ({
    modelId,
    partRef,
    good: Number(good),
    sought: Number(sought),
  }));
}
