import type { Knex } from 'knex';
import type { LookGround } from '@/core/triage/knownLooks';

/**
 * How closely units are looked at, and what is found on them: what a list of units not yet seen must expect. Of units that
 * were decided about, by model and parcel (first parcels first); those on which each quick test was made; those on which
 * each thing was found.
 */
export async function lookCounts(db: Knex): Promise<LookGround> {
  const decided = 'u.disposition is not null and u.model_id is not null';
  const rowsOf = async <Row>(query: string) => ((await db.raw(query)) as [Row[], unknown])[0];
  const [units, tests, marks] = await Promise.all([
    rowsOf<LookGround['units'][number]>(
      `
      select u.model_id as modelId, p.id as parcelId, count(*) as units
      from units u join parcels p on p.id = u.parcel_id
      where ${decided} group by p.received_on, p.code, p.id, u.model_id order by p.received_on, p.code, u.model_id`,
    ),
    rowsOf<LookGround['tests'][number]>(`
      select u.model_id as modelId, k.test, count(*) as units
      from units u join json_table(json_keys(u.tests), '$[*]' columns (test varchar(20) path '$')) k
      where ${decided} and json_value(u.tests, concat('$."', k.test, '"')) in ('sound', 'fault')
      group by u.model_id, k.test`),
    rowsOf<LookGround['marks'][number]>(`
      select m.kind as finding, u.parcel_id as parcelId, count(distinct u.id) as units
      from units u join json_table(u.marks, '$[*]' columns (kind varchar(20) path '$.kind')) m
      where ${decided} group by m.kind, u.parcel_id`),
  ]);
  const whole = <Row extends { readonly units: number }>(rows: readonly Row[]) =>
    rows.map((row) => ({ ...row, units: Number(row.units) }));
  return { units: whole(units), tests: whole(tests), marks: whole(marks) };
}
