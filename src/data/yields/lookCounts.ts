import type { Knex } from 'knex';
import type { DeviceTest, Finding } from '@/core/procedure/vocabulary';

/** What triage noted on the units that were decided about. */
export interface LookCounts {
  /** By model, its units that were decided about. */
  readonly units: readonly { readonly modelId: string; readonly units: number }[];
  /** Of them, those on which each quick test was made. */
  readonly tests: readonly { readonly modelId: string; readonly test: DeviceTest; readonly units: number }[];
  /** Of them, those on which each thing was found. */
  readonly marks: readonly { readonly finding: Finding; readonly units: number }[];
}

/** How closely units are looked at, and what is found on them: what a list of units not yet seen must expect. */
export async function lookCounts(db: Knex): Promise<LookCounts> {
  const decided = 'u.disposition is not null and u.model_id is not null';
  const rowsOf = async <Row>(query: string) => ((await db.raw(query)) as [Row[], unknown])[0];
  const [units, tests, marks] = await Promise.all([
    rowsOf<LookCounts['units'][number]>(
      `select u.model_id as modelId, count(*) as units from units u where ${decided} group by u.model_id`,
    ),
    rowsOf<LookCounts['tests'][number]>(`
      select u.model_id as modelId, k.test, count(*) as units
      from units u join json_table(json_keys(u.tests), '$[*]' columns (test varchar(20) path '$')) k
      where ${decided} and json_value(u.tests, concat('$."', k.test, '"')) in ('sound', 'fault')
      group by u.model_id, k.test`),
    rowsOf<LookCounts['marks'][number]>(`
      select m.kind as finding, count(distinct u.id) as units
      from units u join json_table(u.marks, '$[*]' columns (kind varchar(20) path '$.kind')) m
      where ${decided} group by m.kind`),
  ]);
  const whole = <Row extends { readonly units: number }>(rows: readonly Row[]) =>
    rows.map((row) => ({ ...row, units: Number(row.units) }));
  return { units: whole(units), tests: whole(tests), marks: whole(marks) };
}
