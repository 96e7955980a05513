import type { Knex } from 'knex';
import type { OutcomeGiven } from '@/core/triage/knownYields';
import type { ParcelOutcome } from '@/core/yields/parcelOutcomes';

/**
 * Every part that a teardown of a donor freed, or found broken or missing (also one that was then left in), with its fate.
 * Keys out of a payload are read as what the tables' keys are: two character sets cannot be joined by an index.
 */
const soughtParts = `
  with standing as (
    select e.* from facts e left join facts back on back.undoes = e.id where back.id is null
  ), donors as (
    select distinct unit_id from standing
    where type = 'unit-decided' and json_value(payload, '$.disposition') = 'donor'
  ), freed as (
    select e.unit_id, e.model_id, j.part_ref, j.part_id, j.state
    from standing e join donors d on d.unit_id = e.unit_id
    join json_table(e.payload, '$.freed[*]' columns (
      part_id varchar(36) character set ascii path '$.partId', part_ref varchar(60) character set ascii path '$.partRef',
      state varchar(16) character set ascii path '$.state')) j
    where e.type = 'step-done'
  ), lost as (
    select distinct e.unit_id, e.model_id, convert(json_value(e.payload, '$.partRef') using ascii) as part_ref
    from standing e join donors d on d.unit_id = e.unit_id
    where e.type = 'part-trouble' and json_value(e.payload, '$.state') <> 'suspect'
  ), sought as (
    select unit_id, model_id, part_ref, part_id, state from freed
    union all
    select l.unit_id, l.model_id, l.part_ref, null, 'broken-by-us' from lost l
    left join freed f on f.unit_id = l.unit_id and f.part_ref = l.part_ref
    where f.unit_id is null
  ), graded as (
    select part_id, json_value(payload, '$.verdict.grade') as grade,
           row_number() over (partition by part_id order by position desc) as newness
    from standing where type = 'part-graded'
  ), fates as (
    select f.unit_id, f.model_id, f.part_ref, p.received_on, p.code, p.id as parcel_id,
           coalesce(g.grade <> 'X', 0) as is_good
    from sought f
    join units u on u.id = f.unit_id join parcels p on p.id = u.parcel_id
    left join graded g on g.part_id = f.part_id and g.newness = 1
    where f.state in ('broken-by-us', 'broken-before', 'missing') or g.grade is not null
  )`;

/**
 * Harvest outcomes per parcel, model and part, from the log alone, first parcels first. Sought: every part whose fate is
 * known. Good: whatever can be sold, graded A to D by the last standing grade; what a good one brings is reckoned over the
 * same grades.
 */
export async function outcomeCounts(db: Knex): Promise<readonly ParcelOutcome[]> {
  const [rows] = (await db.raw(`${soughtParts}
    select parcel_id as parcelId, model_id as modelId, part_ref as partRef,
           cast(sum(is_good) as signed) as good, count(*) as sought
    from fates group by received_on, code, parcel_id, model_id, part_ref
    order by received_on, code, model_id, part_ref`)) as [ParcelOutcome[], unknown];
  return rows.map(({ good, sought, ...of }) => ({ ...of, good: Number(good), sought: Number(sought) }));
}

/** The same from units on which something was found at triage. */
export async function outcomeCountsGiven(db: Knex): Promise<readonly OutcomeGiven[]> {
  const [rows] = (await db.raw(`${soughtParts}, found as (
      select distinct u.id as unit_id, m.kind as finding
      from units u join json_table(u.marks, '$[*]' columns (kind varchar(20) path '$.kind')) m
    )
    select f.parcel_id as parcelId, f.model_id as modelId, f.part_ref as partRef, o.finding,
           cast(sum(f.is_good) as signed) as good, count(*) as sought
    from fates f join found o on o.unit_id = f.unit_id
    group by f.received_on, f.code, f.parcel_id, f.model_id, f.part_ref, o.finding
    order by f.received_on, f.code, f.model_id, f.part_ref, o.finding`)) as [OutcomeGiven[], unknown];
  return rows.map(({ good, sought, ...of }) => ({ ...of, good: Number(good), sought: Number(sought) }));
}
