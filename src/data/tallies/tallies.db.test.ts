import type { Knex } from 'knex';
import { startingHouseRules } from '@/core/shared/houseRules';
import { Chance } from '@/core/shared/chance';
import { tallyKinds, type TallyKind } from '@/core/tallies/tally';
import { applyFact } from '@/core/shop/applyFact';
import type { Fact } from '@/core/shop/facts';
import { MemoryWorld } from '@/core/shop/memoryWorld';
import type { Person } from '@/core/people/roles';
import { nothingTallied } from '@/data/migrations/tables';
import { findFact } from '@/data/facts/factRepository';
import { recordFact } from '@/services/facts/recordFact';
import { RandomHistory } from '../../../tests/support/randomHistory';
import { shippedModels } from '../../../tests/support/models';
import { scratchDatabase, somebody, type Scratch } from '../../../tests/support/scratch';
import type { TalliedRow } from '@/data/rows';
import { catchUp, mendedCounts, recount, recountWhenDue } from './catchUp';
import { readTallies } from './readTallies';

let scratch: Scratch;
let person: Person;
let history: RandomHistory;
let world: MemoryWorld;
const now = new Date('2026-11-28T08:00:00Z');

beforeAll(async () => {
  scratch = await scratchDatabase();
  person = await somebody(scratch.db, 'Imke R.', 'lead');
  world = new MemoryWorld(shippedModels, [startingHouseRules]);
  history = new RandomHistory(world, shippedModels, new Chance(1611));
  await goOn(1800);
}, 120_000);
afterAll(() => scratch.drop());

/** Records so many more facts, with what is taken back among them; now and then somebody reads what they add up to. */
async function goOn(facts: number): Promise<void> {
  for (let accepted = 0; accepted < facts;) {
    const fact = history.next();
    if (!(await recordFact(scratch.db, person, fact, new Date(fact.at))).ok) continue;
    accepted += 1;
    const logged = (await findFact(scratch.db, fact.id)) as Fact;
    const mirrored = applyFact(world, logged);
    if (!mirrored.ok) throw new Error(mirrored.refusal.reason);
    world.commit(logged, mirrored.value);
    history.accepted(logged);
    if (accepted % 37 === 0) await catchUp(scratch.db);
  }
}

/** As the log and the tables have it, counted in one go and by other means. */
const byHand: Readonly<Record<Exclude<TallyKind, 'whole'>, string>> = {
  stage: `select '', '', stage, '', count(*), 0 from units group by stage`,
  'parcel-stage': `select '', parcel_id, stage, '', count(*), 0 from units group by parcel_id, stage`,
  lined: `select '', parcel_id, '', '', count(*), 0 from units where line_no is not null group by parcel_id`,
  place: `select '', '', place, '', count(*), 0 from parts group by place`,
  stock: `select '', '', interchange, concat(grade, ' ', category), count(*), 0 from parts where place = 'shelf'
    group by interchange, grade, category`,
  bin: `select '', '', bin, concat(interchange, ' ', coalesce(grade, '')), count(*), 0 from parts where bin is not null
    group by bin, interchange, grade`,
  tested: `select '', u.parcel_id, k.test, '', count(*), sum(json_value(u.tests, concat('$."', k.test, '"')) = 'sound')
    from units u join json_table(json_keys(u.tests), '$[*]' columns (test varchar(20) path '$')) k
    where json_value(u.tests, concat('$."', k.test, '"')) in ('sound', 'fault') group by u.parcel_id, k.test`,
  looked: `select model_id, parcel_id, '', '', count(*), 0 from units
    where disposition is not null and model_id is not null group by model_id, parcel_id`,
  'look-tested': `select u.model_id, '', k.test, '', count(*), 0
    from units u join json_table(json_keys(u.tests), '$[*]' columns (test varchar(20) path '$')) k
    where u.disposition is not null and u.model_id is not null
      and json_value(u.tests, concat('$."', k.test, '"')) in ('sound', 'fault') group by u.model_id, k.test`,
  'look-found': `select '', u.parcel_id, m.kind, '', count(distinct u.id), 0
    from units u join json_table(u.marks, '$[*]' columns (kind varchar(20) path '$.kind')) m
    where u.disposition is not null and u.model_id is not null group by u.parcel_id, m.kind`,
  defect: `select '', '', json_value(payload, '$.defectCode'), json_value(payload, '$.partRef'), count(*), 0 from standing
    where type = 'part-trouble' and json_value(payload, '$.defectCode') is not null group by 3, 4`,
  used: `select '', '', p.interchange, date(e.client_at), count(*), 0 from standing e
    join parts p on p.id = convert(json_value(e.payload, '$.partId') using ascii)
    where e.type = 'part-assigned' group by 3, 4`,
  closed: `select model_id, '', regexp_replace(substr(json_value(payload, '$.stepId'), 6), '~.*', ''), date(client_at),
      count(*), 0
    from standing where type = 'step-done' and json_value(payload, '$.stepId') like 'back:%' group by 1, 3, 4`,
  screwed: `select model_id, '', json_value(payload, '$.stepId'), date(client_at), sum(json_value(payload, '$.count')), 0
    from standing where type = 'screw-trouble' and json_value(payload, '$.kind') in ('missing', 'stripped', 'foreign', 'short')
    group by 1, 3, 4`,
  shelved: `select '', '', date(client_at), '', count(*), 0 from standing where type = 'part-shelved' group by 3`,
  unshelved: `select '', '', date(e.client_at), '', count(*), 0 from standing e where e.type = 'part-scrapped' and exists (
      select 1 from standing s where s.part_id = e.part_id and s.type = 'part-shelved' and s.position < e.position)
    group by 3`,
  sent: `select '', '', json_value(payload, '$.shipment'),
      concat(date_format(client_at, '%Y-%m-%dT%H:%i'), ' ', json_value(payload, '$.recipient')), count(*), 0
    from standing where type = 'unit-sent' group by 3, 4`,
  resisted: `select model_id, '', step_id, rung, count(*), sum(is_done) from (
      select model_id, unit_id, json_value(payload, '$.stepId') step_id,
        coalesce(max(json_value(payload, '$.rung')), 0) rung,
        max(type = 'step-done') and not max(coalesce(json_value(payload, '$.isHandedOver'), 0)) is_done
      from standing where type in ('step-done', 'step-resisted') group by model_id, unit_id, step_id) steps
    where step_id like 'out:%' group by model_id, step_id, rung`,
  sought: `select model_id, parcel_id, part_ref, finding, count(*), sum(is_good) from (
      select s.model_id, u.parcel_id, s.part_ref, m.finding, coalesce(g.grade <> 'X', 0) is_good
      from (
        select e.unit_id, e.model_id, j.part_ref, j.part_id, j.state from standing e
          join json_table(e.payload, '$.freed[*]' columns (part_id varchar(36) character set ascii path '$.partId',
            part_ref varchar(60) path '$.partRef', state varchar(16) path '$.state')) j where e.type = 'step-done'
        union all
        select distinct e.unit_id, e.model_id, json_value(e.payload, '$.partRef'), null, 'broken-by-us' from standing e
        where e.type = 'part-trouble' and json_value(e.payload, '$.state') <> 'suspect' and not exists (
          select 1 from standing d join json_table(d.payload, '$.freed[*]' columns (ref varchar(60) path '$.partRef')) f
          where d.unit_id = e.unit_id and d.type = 'step-done' and f.ref = json_value(e.payload, '$.partRef'))
      ) s
      join units u on u.id = s.unit_id
      join (
        select id, '' finding from units
        union select d.id, k.kind from units d join json_table(d.marks, '$[*]' columns (kind varchar(20) path '$.kind')) k
      ) m on m.id = u.id
      left join (
        select part_id, json_value(payload, '$.verdict.grade') grade,
          row_number() over (partition by part_id order by position desc) newness
        from standing where type = 'part-graded'
      ) g on g.part_id = s.part_id and g.newness = 1
      left join parts h on h.id = s.part_id and h.place = 'hazard'
      where (s.state in ('broken-by-us', 'broken-before', 'missing') or g.grade is not null or h.id is not null)
        and exists (select 1 from standing d where d.unit_id = u.id and d.type = 'unit-decided'
          and json_value(d.payload, '$.disposition') = 'donor')
    ) fates group by model_id, parcel_id, part_ref, finding`,
};

type Counted = Readonly<Record<string, readonly [number, number]>>;

async function counted(db: Knex, kind: Exclude<TallyKind, 'whole'>): Promise<Counted> {
  const [rows] = (await db.raw(
    `with standing as (
      select e.* from facts e left join facts back on back.undoes = e.id where back.id is null and e.type <> 'undone'
    ), counted (model, parcel, about, more, n, good) as (${byHand[kind]}) select * from counted`,
  )) as [Record<string, string | number | Date>[]];
  return Object.fromEntries(
    rows.map(({ model, parcel, about, more, n, good }) => {
      const words = [model, parcel, about, more].map((word) =>
        word instanceof Date ? word.toISOString().slice(0, 10) : word,
      );
      return [words.join('|'), [Number(n), Number(good)]];
    }),
  );
}

async function kept(): Promise<Readonly<Record<TallyKind, Counted>>> {
  const tallies = await readTallies(scratch.db, tallyKinds);
  return Object.fromEntries(
    tallyKinds.map((kind) => [
      kind,
      Object.fromEntries(
        tallies[kind].map(({ modelId, parcelId, about, more, count, good }) => [
          [modelId, parcelId, about, more].join('|'),
          [count, good],
        ]),
      ),
    ]),
  ) as unknown as Record<TallyKind, Counted>;
}

const kinds = Object.keys(byHand) as (keyof typeof byHand)[];
const state = async () => (await scratch.db('tallied').first()) as TalliedRow;

describe('tallies', () => {
  test.each(kinds)('after a random history with undo, %s is what the log and the tables say', async (kind) => {
    const own = (await kept())[kind];
    expect(own).toEqual(await counted(scratch.db, kind));
    // A figure that nobody needs would be right by itself.
    expect(Object.keys(own).length).toBeGreaterThan(0);
  });

  test('they hold a fact as soon as it is acknowledged, with several who read at once', async () => {
    for (let round = 0; round < 12; round += 1) {
      await goOn(5);
      const [one, two] = await Promise.all([kept(), kept()]);
      expect(one).toEqual(two);
      for (const kind of ['stage', 'place', 'sought', 'resisted'] as const)
        expect(one[kind]).toEqual(await counted(scratch.db, kind));
    }
  });

  test('a list in which nothing changed is the same one', async () => {
    const before = await readTallies(scratch.db, tallyKinds);
    const again = await readTallies(scratch.db, tallyKinds);
    for (const kind of tallyKinds) expect(again[kind]).toBe(before[kind]);
  });

  test('nobody reads them inside of a transaction', async () => {
    await expect(scratch.db.transaction((trx) => readTallies(trx, ['stage']))).rejects.toThrow('transaction');
  });

  test('what was counted wrongly is found by a recount, said, and put right, while facts come in', async () => {
    await recountAll();
    expect((await state()).mended).toBe(0);
    const right = await kept();
    // Its own counts are lost, so that the next fact about it adds them once more; and a total is off by itself.
    const victim = (await scratch.db('unit_tallies').first('unit_id')) as { unit_id: string };
    await scratch.db('unit_tallies').where({ unit_id: victim.unit_id }).update({ tallies: '[]' });
    const { generation, revision } = await state();
    await scratch.db('tallies').where({ kind: 'place', about: 'scrap' }).increment('n', 5);
    await scratch
      .db('tallies')
      .where({ kind: 'place' })
      .update({ revision: revision + 1 });
    await scratch.db('tallied').update({ revision: revision + 1 });
    expect(await kept()).not.toEqual(right);
    await recountAll();
    expect(await state()).toMatchObject({ mended: 1, mended_at: now, generation: generation + 1 });
    expect(await mendedCounts(scratch.db)).toEqual({ count: 1, at: now });
    const day = 24 * 3600 * 1000;
    expect(await recountWhenDue(scratch.db, now, day)).toBe(false);
    expect(await kept()).toEqual(right);
    // Several processes come to it at once: one count is begun and ended, and no second one after it.
    const tomorrow = new Date(now.getTime() + day + 1);
    const beside = async () => {
      while (await recountWhenDue(scratch.db, tomorrow, day));
    };
    await Promise.all([beside(), beside(), beside()]);
    expect(await state()).toMatchObject({ mended: 1, begun_at: tomorrow, generation: generation + 2, next_to: null });
    for (let isDone = false; !isDone; isDone = await recount(scratch.db, now)) await goOn(1);
    expect(await state()).toMatchObject({ mended: 1, next_to: null });
    for (const kind of kinds) expect((await kept())[kind]).toEqual(await counted(scratch.db, kind));
    const [{ n }] = (await scratch.db('tallies').countDistinct({ n: 'generation' })) as [{ n: number }];
    expect(n).toBe(1);
  });

  test('a shop from before they were kept is counted unit by unit by whoever reads first', async () => {
    const right = await kept();
    const { generation } = await state();
    for (const table of ['tallies', 'unit_tallies', 'tallied']) await scratch.db(table).delete();
    await nothingTallied(scratch.db);
    // Somebody began and was stopped; facts came in meanwhile.
    await recount(scratch.db, now);
    await Promise.all([catchUp(scratch.db), catchUp(scratch.db)]);
    expect(await state()).toMatchObject({ generation: 1, next_to: null });
    await scratch.db('tallied').update({ generation: generation + 1 });
    for (const table of ['tallies', 'unit_tallies']) await scratch.db(table).update({ generation: generation + 1 });
    expect(await kept()).toEqual(right);
  });
});

async function recountAll(): Promise<void> {
  for (let isDone = false; !isDone; isDone = await recount(scratch.db, now));
}
