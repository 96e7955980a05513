import { scratchDatabase, type Scratch } from '../../tests/support/scratch';
import { migrate } from './migrations/migrate';
import { columns } from './rows';

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

describe('the tables', () => {
  test.each(Object.keys(columns) as (keyof typeof columns)[])(
    '%s has the columns that its row type says',
    async (table) => {
      const rows = (await scratch
        .db('information_schema.columns')
        .where({ table_schema: scratch.name, table_name: table })
        // What only sorts is no column of a row.
        .whereNot('extra', 'like', '%INVISIBLE%')
        .select({ name: 'column_name' })) as { name: string }[];
      expect(rows.map(({ name }) => name).sort()).toEqual([...columns[table]].sort());
    },
  );

  test('every table has a primary key, as a cluster needs', async () => {
    const [rows] = (await scratch.db.raw(
      `select t.table_name as name from information_schema.tables t
       left join information_schema.table_constraints c
         on c.table_schema = t.table_schema and c.table_name = t.table_name and c.constraint_type = 'PRIMARY KEY'
       where t.table_schema = ? and c.constraint_name is null`,
      [scratch.name],
    )) as [{ name: string }[]];
    expect(rows).toEqual([]);
  });

  test('migrating again changes nothing', async () => {
    expect(await migrate(scratch.db)).toEqual([]);
  });
});
