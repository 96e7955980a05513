import type { Knex } from 'knex';
import { randomBytes } from 'node:crypto';
import { setTimeout as sleep } from 'node:timers/promises';
import { startingHouseRules } from '@/core/shared/houseRules';
import { connect } from '@/data/connection';
import { currentRules } from '@/data/rules/houseRulesRepository';
import { createDatabase, dropDatabase, placeOf } from '../../../scripts/support/databases';
import { startDatabase } from '../../../scripts/server/mariadb';
import { testHome } from '../../../tests/support/scratch';
import { migrate, type Execute } from './migrate';
import { migrations } from './migrations';

const made: { db: Knex; name: string }[] = [];

async function emptyDatabase(): Promise<Knex> {
  const home = testHome();
  await startDatabase(home, { isDurable: false, outlives: true });
  const name = `scratch_${randomBytes(5).toString('hex')}`;
  await createDatabase(home, name);
  const db = connect(placeOf(home, name));
  made.push({ db, name });
  return db;
}
afterAll(async () => {
  for (const { db, name } of made) {
    await db.destroy();
    await dropDatabase(testHome(), name);
  }
});

const run: Execute = (db, { sql, bindings = [] }) => db.raw(sql, [...bindings]);

/** Every column and key there is, and every row of what a new shop begins with. */
async function shapeOf(db: Knex) {
  const read = async (sql: string) => ((await db.raw(sql)) as [object[]])[0];
  const rows = async (table: string) => (await db(table).select('*')) as object[];
  return {
    columns: await read(
      `select table_name, column_name, column_type, is_nullable, column_default, extra, generation_expression,
         character_set_name from information_schema.columns where table_schema = database() order by 1, 2`,
    ),
    keys: await read(
      `select table_name, index_name, seq_in_index, column_name, non_unique from information_schema.statistics
         where table_schema = database() order by 1, 2, 3`,
    ),
    rows: Object.fromEntries(
      await Promise.all(
        ['benches', 'counters', 'house_rules', 'racks', 'tallied'].map(
          async (table) => [table, await rows(table)] as const,
        ),
      ),
    ),
    steps: (await db('knex_migrations').orderBy('id').pluck('name')) as string[],
  };
}

class Cut extends Error {}

describe('migrations', () => {
  let whole: Awaited<ReturnType<typeof shapeOf>>;
  beforeAll(async () => {
    const db = await emptyDatabase();
    expect(await migrate(db)).toEqual(migrations.map(({ name }) => name));
    expect(await migrate(db)).toEqual([]);
    whole = await shapeOf(db);
  }, 60_000);

  test.each(['before', 'after'] as const)(
    'cut %s every single statement, they go on where they stood, and the shop is the same in the end',
    async (when) => {
      const db = await emptyDatabase();
      const seen = new Set<string>();
      const cutting: Execute = async (trx, statement, step) => {
        const key = `${step} ${statement.sql}`;
        const isFirst = !seen.has(key);
        seen.add(key);
        if (isFirst && when === 'before') throw new Cut(key);
        await run(trx, statement, step);
        if (isFirst) throw new Cut(key);
      };
      let cuts = 0;
      for (let isDone = false; !isDone;)
        isDone = await migrate(db, cutting).then(
          () => true,
          (error: unknown) => {
            if (!(error instanceof Cut)) throw error;
            cuts += 1;
            return false;
          },
        );
      expect(cuts).toBe(seen.size);
      expect(cuts).toBeGreaterThan(migrations.length - 10);
      expect(await shapeOf(db)).toEqual(whole);
    },
    120_000,
  );

  test('over a long log, with the database’s hand taken off each statement while it runs: no fact is lost', async () => {
    const [straight, cut] = [await emptyDatabase(), await emptyDatabase()];
    const filling: Execute = async (trx, statement, step) => {
      if (step === '067_fact_parts') await fill(trx);
      await run(trx, statement, step);
    };
    await migrate(straight, filling);

    const killed = new Set<string>();
    let isFilled = false;
    let kills = 0;
    const killing: Execute = async (trx, statement, step) => {
      if (step === '067_fact_parts' && !isFilled) {
        isFilled = true;
        await fill(trx);
      }
      const isLong = step >= '067' && killed.size < 40 && !killed.has(step);
      if (!isLong) return run(trx, statement, step);
      killed.add(step);
      const [[own]] = (await trx.raw('select connection_id() as id')) as [[{ id: number }]];
      // Early in one step, late in another.
      const pause = sleep(5 * killed.size).then(() => cut.raw('kill ?', [own.id]).then(() => (kills += 1)));
      const [ran] = await Promise.allSettled([run(trx, statement, step), pause]);
      if (ran.status === 'rejected') throw new Cut(step);
      return ran.value;
    };
    for (let tries = 0; tries < 60; tries += 1) {
      const isDone = await migrate(cut, killing).then(
        () => true,
        () => false,
      );
      if (isDone) break;
    }
    expect(kills).toBeGreaterThan(8);
    expect((await shapeOf(cut)).steps).toEqual(whole.steps);
    const { columns, keys } = await shapeOf(cut);
    expect([columns, keys]).toEqual([whole.columns, whole.keys]);
    for (const table of ['facts', 'fact_parts', 'parts'])
      expect(await summed(cut, table)).toEqual(await summed(straight, table));
    expect((await summed(cut, 'facts')).n).toBe(facts);
  }, 180_000);

  test('several who begin at once: one does it, the others find it done', async () => {
    const db = await emptyDatabase();
    const all = await Promise.all([migrate(db), migrate(db), migrate(db)]);
    expect(all.map(({ length }) => length).sort((a, b) => a - b)).toEqual([0, 0, migrations.length]);
  }, 60_000);

  test('a database of a newer version is left alone', async () => {
    const db = await emptyDatabase();
    await migrate(db);
    await db('knex_migrations').insert({ name: '999_of_tomorrow', batch: 9, migration_time: db.fn.now() });
    await expect(migrate(db)).rejects.toThrow('a newer version');
  }, 60_000);
});

const facts = 20_000;

/** A log, and parts of which every fifth fact speaks. Ids are counted, so that two databases hold the same. */
async function fill(db: Knex): Promise<void> {
  const id = (seq: string) => `lpad(${seq}, 36, '0')`;
  await db.raw(
    `insert into parts (id, tag, part_ref, model_id, category, interchange, unit_id, state, place, readings, is_data_cleared,
         version, last_fact_id)
       select ${id('seq')}, concat('P-', 30000 + seq), 'display', 'oddkin-lantern-5', 'display', 'oddkin-l5-display', ${id('seq')},
         'sound', 'shelf', '{}', 1, 1, ${id('seq')}
       from seq_1_to_${facts / 5}`,
  );
  await db.raw(
    `insert into facts (id, position, type, subject_id, person_id, bench, client_at, server_at, part_id, payload, touched)
       select ${id('seq')}, seq, 'note-written', ${id('seq')}, ${id('1')}, 'bench-1', '2026-01-01', '2026-01-01',
         if(seq % 5 = 0, ${id('seq / 5')}, null), '{}', json_array(json_object('kind', 'part', 'id', ${id('1 + seq % 4000')}))
       from seq_1_to_${facts}`,
  );
}

const summedBy: Readonly<Record<string, string>> = {
  facts: 'position, id, type, part_id, touched',
  fact_parts: 'part_id, position',
  parts: 'id, tag, place',
};

/** How many rows, and a sum over what is in them. */
async function summed(db: Knex, table: string) {
  const [[sum]] = (await db.raw(
    `select count(*) n, bit_xor(crc32(concat_ws('/', ${summedBy[table]}))) crc from ${table}`,
  )) as [[{ n: number; crc: number }]];
  return { n: Number(sum.n), crc: Number(sum.crc) };
}

test('a new shop begins with the rules it should, what is empty included; an older one keeps its own and gets what came later', async () => {
  const db = await emptyDatabase();
  await migrate(db);
  expect(await currentRules(db)).toEqual(startingHouseRules);

  // As a shop stood before grading had rules of its own.
  const { gradingChoices: _, classLimits: __, gradingLimits, version, ...others } = startingHouseRules;
  const { capacityShare, cycles, resistanceMilliOhm, deadPixels, touchCoverage } = gradingLimits;
  const stricter = { ...cycles, A: 100 };
  const before = {
    ...others,
    gradingLimits: { capacityShare, cycles: stricter, resistanceMilliOhm, deadPixels, touchCoverage },
  };
  await db('house_rules').update({ rules: JSON.stringify(before) });
  for (const own of ['090_rules_of_grading', '107_unfastened_cells'])
    await migrations.find(({ name }) => name === own)?.up(db);
  const [row] = (await db('house_rules').select('rules')) as { rules: object }[];
  expect({ ...row?.rules, version }).toEqual({
    ...startingHouseRules,
    gradingLimits: { ...gradingLimits, cycles: stricter },
  });
});
