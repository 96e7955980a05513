import type { Knex } from 'knex';
import type { TestCount } from '@/core/triage/knownYields';

/** How each quick test came out on the units of each parcel, by the last result noted of each; first parcels first. */
export async function testCounts(db: Knex): Promise<readonly TestCount[]> {
  const [rows] = (await db.raw(`
    select t.test, p.id as parcelId, cast(sum(t.result = 'sound') as signed) as good, count(*) as sought
    from (
      select u.parcel_id, k.test, json_value(u.tests, concat('$."', k.test, '"')) as result
      from units u
      join json_table(json_keys(u.tests), '$[*]' columns (test varchar(20) path '$')) k
    ) t join parcels p on p.id = t.parcel_id
    where t.result in ('sound', 'fault')
    group by p.received_on, p.code, p.id, t.test
    order by p.received_on, p.code, t.test`)) as [TestCount[], unknown];
  return rows.map(({ good, sought, ...of }) => ({ ...of, good: Number(good), sought: Number(sought) }));
}
