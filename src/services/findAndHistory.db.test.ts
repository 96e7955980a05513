import { parse } from 'csv-parse/sync';
import { factKinds, type FactKind } from '@/core/shop/facts';
import { shopDay } from '@/core/shared/shopDay';
import type { FactRow, PartRow, PersonRow, UnitRow } from '@/data/rows';
import { latestFacts } from '@/data/facts/latestFacts';
import { newsBetween } from '@/data/facts/newsBetween';
import { fillFactParts } from '@/data/migrations/fillFactParts';
import { shippedModels } from '../../tests/support/models';
import { demoDay, demoScratch, type Scratch } from '../../tests/support/scratch';
import { exportFacts } from './facts/exportFacts';
import { findAll } from './find/findAll';
import { readHistory } from './history/readHistory';

/** What is found, and what happened, in the demo workshop: held against plain counting over whole tables. */
let scratch: Scratch;
const now = demoDay;
const zone = 'Europe/Dublin';
beforeAll(async () => {
  scratch = await demoScratch(demoDay);
}, 120_000);
afterAll(() => scratch.drop());

const many = 1000;
const find = (text: string) => findAll(scratch.db, text, many);

describe('finding', () => {
  test('several words at once: displays of a model at a grade, and nothing else', async () => {
    const model = shippedModels.find(({ name }) => name === 'Lantern 5');
    const parts = (await scratch.db('parts')) as PartRow[];
    const displays = parts.filter(
      ({ model_id, part_ref, place }) => model_id === model?.id && part_ref === 'display' && place !== 'fitted',
    );
    const grade = displays.find((part) => part.grade)?.grade ?? '';
    const expected = displays.filter((part) => part.grade === grade);
    const found = await find(`display lantern ${grade}`);
    expect(expected.length).toBeGreaterThan(0);
    expect(found.parts.total).toBe(expected.length);
    expect(found.parts.hits.map(({ tag }) => tag).sort()).toEqual(expected.map(({ tag }) => tag).sort());
    expect(found.parts.hits[0]?.name).toBe('Lantern 5 display');
    // In any order, half typed, by the maker.
    expect((await find(`${grade} oddk displ`)).parts.total).toBeGreaterThanOrEqual(expected.length);
  });

  test('a bin, a tag’s figures, and both with a name', async () => {
    const [part] = (await scratch.db('parts').whereNotNull('bin').limit(1)) as PartRow[];
    const bin = part?.bin ?? '';
    const inBin = (await scratch.db('parts').where({ bin })) as PartRow[];
    expect((await find(bin)).parts.total).toBe(inBin.length);
    expect((await find(part?.tag.slice(2) ?? '')).parts.hits.map(({ tag }) => tag)).toContain(part?.tag);
    expect((await find(`${bin} nosuchpart`)).parts.total).toBe(0);
  });

  test('every serial of the shop is found whole, in part, and with blanks and dashes', async () => {
    const units = ((await scratch.db('units').whereNotNull('serial')) as UnitRow[]).slice(0, 20);
    for (const { serial, tag } of units) {
      const typed = `${serial?.slice(0, 4).toLowerCase()}-${serial?.slice(4)}`;
      expect((await find(typed)).units.hits.map((unit) => unit.tag)).toContain(tag);
    }
    const [line] = (await scratch.db('parcel_lines').where({ line_no: 26 }).limit(1)) as { serial: string }[];
    const boxed = await find(line?.serial ?? '');
    expect([boxed.lines.total, boxed.units.total, boxed.parts.total]).toEqual([1, 0, 0]);
  });

  test('suppliers, parcels, people, steps, shipments and models', async () => {
    expect((await find('northreach')).parcels.hits.map(({ code }) => code)).toEqual(['Ferry line, autumn lot']);
    expect((await find('imke')).people.hits).toMatchObject([{ name: 'Imke R.' }]);
    const steps = shippedModels.flatMap(({ operations }) => operations).filter(({ title }) => /\bseal/i.test(title));
    expect((await find('seal')).steps.total).toBe(steps.length);
    const [sent] = (await scratch.db('units').whereNotNull('shipment').limit(1)) as UnitRow[];
    expect((await find(sent?.shipment ?? '')).shipments.hits[0]).toMatchObject({ tag: sent?.shipment });
    expect((await find('lantern 5')).models.hits).toMatchObject([{ name: 'Oddkin Lantern 5' }]);
  });

  test('what means something to the database means itself here', async () => {
    for (const text of ['%', '_', "' or 1=1 --", '\\', '  ']) {
      const { units, parts, parcels, people } = await find(text);
      expect([text, units.total + parts.total + parcels.total + people.total]).toEqual([text, 0]);
    }
  });

  test('the first few are given, and how many there are', async () => {
    const few = await findAll(scratch.db, 'lantern', 3);
    expect(few.parts.hits).toHaveLength(3);
    expect(few.parts.total).toBe((await find('lantern')).parts.hits.length);
  });
});

describe('the history', () => {
  const facts = async () => (await scratch.db('facts').orderBy('position', 'desc')) as FactRow[];
  /** All pages of an answer, one after the other. */
  async function pages(query: Parameters<typeof readHistory>[1]): Promise<readonly string[]> {
    const ids: string[] = [];
    for (let before: number | null | undefined; before !== null;) {
      const page = await readHistory(scratch.db, { ...query, ...(before !== undefined && { before }) }, now);
      ids.push(...page.facts.map(({ fact }) => fact.id));
      before = page.next;
    }
    return ids;
  }

  test('all pages together are the whole log, newest first, each fact once', async () => {
    expect(await pages({})).toEqual((await facts()).map(({ id }) => id));
  });

  test('by person, bench, kind and the shop’s day, as plain counting has it', async () => {
    const [imke] = (await scratch.db('people').where({ name: 'Imke R.' })) as PersonRow[];
    const log = await facts();
    const some = log[40] as FactRow;
    const day = shopDay(some.client_at.getTime(), zone);
    const onDay = log.filter(({ client_at }) => shopDay(client_at.getTime(), zone) === day);
    expect(onDay.length).toBeGreaterThan(10);
    const idsOf = (rows: readonly FactRow[]) => rows.map(({ id }) => id);
    expect(await pages({ day })).toEqual(idsOf(onDay));
    expect(await pages({ personId: imke?.id ?? '', day })).toEqual(
      idsOf(onDay.filter(({ person_id }) => person_id === imke?.id)),
    );
    for (const kind of ['triage', 'sale'] as const satisfies readonly FactKind[])
      expect(await pages({ kind, bench: 'bench-1' })).toEqual(
        idsOf(log.filter(({ type, bench }) => factKinds[kind].includes(type) && bench === 'bench-1')),
      );
  });

  test('the export gives the same facts, the oldest first', async () => {
    const query = { kind: 'sale', bench: 'bench-2' } as const;
    let csv = '';
    for await (const lines of exportFacts(scratch.db, query)) csv += lines;
    const rows = parse(csv, { columns: true }) as { id: string }[];
    expect(rows.map(({ id }) => id).reverse()).toEqual(await pages(query));
    expect(rows.length).toBeGreaterThan(0);
  });

  test('a part’s history is every fact that did something to it, found as if one read the whole log', async () => {
    const log = (await scratch.db('facts').orderBy('position', 'desc')) as FactRow[];
    const parts = (await scratch.db('parts').orderBy('tag_no')) as PartRow[];
    for (const { id } of parts.filter((_, at) => at % 7 === 0)) {
      const own = await latestFacts(scratch.db, many, { partId: id });
      const did = log.filter(
        ({ part_id, touched }) => part_id === id || touched.some((thing) => thing.kind === 'part' && thing.id === id),
      );
      expect(own.map((fact) => fact.id)).toEqual(did.map((fact) => fact.id));
      // Whatever names the part in what was said is among them.
      const named = log.filter(({ payload }) => JSON.stringify(payload).includes(id));
      for (const fact of named) expect(own.some((listed) => listed.id === fact.id)).toBe(true);
    }
  });

  test('a log from before it was noted which parts a fact touched gives the same', async () => {
    const noted = await scratch.db('fact_parts').orderBy(['part_id', 'position']);
    expect(noted.length).toBeGreaterThan(500);
    await scratch.db('fact_parts').delete();
    await fillFactParts(scratch.db);
    expect(await scratch.db('fact_parts').orderBy(['part_id', 'position'])).toEqual(noted);
  });

  test('what the stream tells of new facts is what they did: their unit, a part, a wait that began or ended', async () => {
    const log = (await scratch.db('facts').orderBy('position')) as FactRow[];
    const units = (await scratch.db('units').select('id', 'tag')) as Pick<UnitRow, 'id' | 'tag'>[];
    const tagOf = new Map(units.map(({ id, tag }) => [id, tag]));
    let [waits, parts] = [0, 0];
    for (let from = 0; from + 50 <= log.length; from += 50) {
      const news = await newsBetween(scratch.db, from, from + 50);
      const own = log.slice(from, from + 50);
      expect(news?.map(({ unit }) => unit)).toEqual(own.map(({ unit_id }) => (unit_id && tagOf.get(unit_id)) ?? null));
      expect(news?.map(({ isOfPart }) => isOfPart)).toEqual(own.map(({ part_id }) => part_id !== null));
      own.forEach(({ type }, at) => {
        if (type === 'wait-begun') expect(news?.[at]?.turnsTimer).toBe(true);
        if (type === 'part-graded') expect(news?.[at]?.turnsTimer).toBe(false);
        if (type === 'part-graded') expect(news?.[at]?.at).toContain('grade');
        if (type === 'unit-decided') expect(news?.[at]?.at).toContain('triage');
        if (type === 'parcel-made') expect(news?.[at]?.at).toEqual(['dock']);
        if (type === 'unit-sent') expect(news?.[at]?.at).toEqual(['send', 'sent']);
      });
      waits += news?.filter(({ turnsTimer }) => turnsTimer).length ?? 0;
      parts += news?.filter(({ isOfPart }) => isOfPart).length ?? 0;
    }
    // Each wait that began has ended since, or lies there still.
    const begun = log.filter(({ type }) => type === 'wait-begun').length;
    expect(waits).toBeGreaterThanOrEqual(begun);
    expect(parts).toBeGreaterThan(100);
    // After a long break nobody is told one by one.
    expect(await newsBetween(scratch.db, 0, log.length)).toBeNull();
    expect(await newsBetween(scratch.db, log.length, log.length)).toEqual([]);
  });

  test('every kind of fact is in one kind of the filter', () => {
    const all = Object.values(factKinds).flat();
    expect(new Set(all).size).toBe(all.length);
  });
});
