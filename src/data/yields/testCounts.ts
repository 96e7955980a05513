import type { Knex } from 'knex';
import type { DeviceTest } from '@/core/procedure/vocabulary';

export interface TestCount {
  readonly test: DeviceTest;
  readonly sound: number;
  readonly noted: number;
}

/** How each quick test came out on the units of the shop, by the last result noted of each. */
export async function testCounts(db: Knex): Promise<readonly TestCount[]> {
  const [rows] = (await db.raw(`
    select t.test, cast(sum(t.result = 'sound') as signed) as sound, count(*) as noted
    from (
      select k.test, json_value(u.tests, concat('$."', k.test, '"')) as result
      from units u
      join json_table(json_keys(u.tests), '$[*]' columns (test varchar(20) path '$')) k
    ) t
    where t.result in ('sound', 'fault')
    group by t.test`)) as [TestCount[], unknown];
  return rows.map(({ test, sound, noted }) => ({ test, sound: Number(sound), noted: Number(noted) }));
}
