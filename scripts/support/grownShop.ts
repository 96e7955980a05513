import type { Knex } from 'knex';
import { replay } from '@/core/shop/replay';
import type { MemoryWorld } from '@/core/shop/memoryWorld';
import type { EntityKind } from '@/core/entities/entities';
import type { RecordedFact } from '@/core/shop/facts';
import type { Model } from '@/core/procedure/model';
import { grouped } from '@/core/shared/grouped';
import { formatTag, parseTag, tagKinds, type TagLetter } from '@/core/shared/tags';
import { isRackCode } from '@/core/shelf/racks';
import { toRecordedFact } from '@/data/facts/factRepository';
import { entityTables } from '@/data/facts/entityTables';
import { allModels, insertModel } from '@/data/models/modelRepository';
import { ruleBook } from '@/data/rules/houseRulesRepository';
import type { FactPartRow, FactRow } from '@/data/rows';
import { nothingTallied } from '@/data/migrations/tables';
import { writeRack } from '@/data/shelf/rackRepository';

const dayMs = 24 * 3600 * 1000;
const years = 2;
const liveDays = 20;
/** Of so many copies one is of the shop as it stands, with work at every stage; the others are of the parcel that went through. */
const oneLiveOf = 8;
/** How many sets of models there are at first, so that there are about forty. */
const usualFamilies = 13;
const chunk = 400;
const rackRows = 5;
const rackBoxes = 12;
const boxRoom = 60;

export interface GrownShop {
  readonly facts: number;
  readonly units: number;
  readonly parts: number;
}

/** A stretch of log that can be copied: its facts, and what they leave behind. */
interface Stretch {
  readonly rows: readonly FactRow[];
  readonly facts: readonly RecordedFact[];
  readonly world: MemoryWorld;
}

/**
 * Makes a shop of two years out of the demo: its log is copied under other names, further and further back in time, until
 * there are so many facts. Whatever the copies leave behind comes from a replay of what they hold, so that the log and the
 * tables agree as in a shop that was worked in.
 *
 * @param db      holds the demo and nothing else
 * @param atLeast   so many facts, or a few more
 * @param families  so many sets of models: the fewer, the more is known of each
 */
export async function growShop(db: Knex, atLeast: number, families = usualFamilies): Promise<GrownShop> {
  const rows = (await db('facts').orderBy('position')) as FactRow[];
  const partsOf = grouped((await db('fact_parts')) as FactPartRow[], ({ position }) => position);
  const models = await allModels(db);
  const rules = await ruleBook(db);
  const stretchOf = (own: readonly FactRow[]): Stretch => {
    const facts = own.map((row, at) => ({ ...toRecordedFact(row), position: at + 1 }));
    return { rows: own, facts, world: replay(facts, models, rules) };
  };
  const whole = stretchOf(rows);
  const old = stretchOf(firstParcelOf(rows));

  const copies: Stretch[] = [];
  for (let sum = rows.length; sum < atLeast; sum += copies.at(-1)?.rows.length ?? 0)
    copies.push((copies.length + 1) % oneLiveOf === 0 ? whole : old);
  const names = copies.map((stretch, at) => namesOf(stretch, at + 1, families));
  await copyModels(db, models, families);
  await addRacks(db);
  for (const [at, stretch] of copies.entries()) await insertThings(db, stretch, names[at] as Names);

  // The demo itself stays the newest: what it did comes after everything that was copied.
  await db('fact_parts').delete();
  await db('facts').delete();
  const shifts = shiftsOf(copies.map((stretch) => stretch === whole));
  const order: { readonly at: number; readonly entry: Entry }[] = [];
  const append = (own: readonly FactRow[], shift: number, of: Names | undefined) => {
    let at = 0;
    for (const row of own) {
      // Facts of one copy keep their order, whatever their clocks say.
      at = Math.max(at, row.server_at.getTime() - shift);
      order.push({ at, entry: { row, names: of, shift } });
    }
  };
  for (const [at, { rows: own }] of copies.entries()) append(own, shifts[at] as number, names[at]);
  append(rows, 0, undefined);
  order.sort((a, b) => a.at - b.at);
  const parts = new Map([...partsOf].map(([position, own]) => [position, own.map(({ part_id }) => part_id)]));
  await insertFacts(
    db,
    order.map(({ entry }) => entry),
    parts,
  );
  await raiseCounters(db, order.length, copies.length);
  // What was counted of the log that was there before is not what this one adds up to.
  for (const table of ['tallies', 'unit_tallies', 'tallied']) await db(table).delete();
  await nothingTallied(db);
  for (const table of ['facts', 'fact_parts', 'units', 'parts', 'parcels', 'parcel_lines'])
    await db.raw('analyze table ??', [table]);
  const count = async (table: string) =>
    Number(((await db(table).count({ n: '*' }).first()) as { n: number } | undefined)?.n ?? 0);
  return { facts: order.length, units: await count('units'), parts: await count('parts') };
}

/** How many milliseconds each copy lies back: those with open work in the last weeks, the others over the years before. */
function shiftsOf(areLive: readonly boolean[]): readonly number[] {
  const live = areLive.filter(Boolean).length;
  const gone = areLive.length - live;
  let [liveSoFar, goneSoFar] = [0, 0];
  return areLive.map((isLive) => {
    if (isLive) return ((liveSoFar += 1) / (live + 1)) * liveDays * dayMs;
    return (liveDays + ((goneSoFar += 1) / gone) * (years * 365 - liveDays)) * dayMs;
  });
}

/** What the log says of its first parcel and nothing else: where it gave parts to others' builds, they still lie there. */
function firstParcelOf(rows: readonly FactRow[]): readonly FactRow[] {
  const parcelId = rows.find(({ type }) => type === 'parcel-made')?.subject_id;
  const own = new Set<string | undefined>([parcelId]);
  return rows.filter((row) => {
    if (row.type === 'unit-tagged' && row.payload.parcelId === parcelId) own.add(row.subject_id);
    if (!own.has(row.subject_id)) return false;
    if (row.type === 'step-done') for (const { partId } of row.payload.freed) own.add(partId);
    return true;
  });
}

/** What every name in a stretch is called in a copy. */
type Names = ReadonlyMap<string, string>;

/** Numbers of tags that copies have for themselves, each as many as the demo uses with room to spare. */
const tagsOfCopy: Readonly<Record<TagLetter, { readonly first: number; readonly each: number }>> = {
  U: { first: 10_000, each: 100 },
  P: { first: 100_000, each: 300 },
  S: { first: 1000, each: 20 },
};

function namesOf({ facts, world }: Stretch, no: number, families: number): Names {
  const names = new Map<string, string>();
  const head = no.toString(16).padStart(4, '0');
  // Ids of version 8, which nothing else makes: none can be one of the demo's.
  const addId = (id: string) => names.set(id, `${head}${id.slice(4, 14)}8${id.slice(15)}`);
  const addTag = (tag: string) => {
    const letter = parseTag(tag)?.letter;
    if (!letter || names.has(tag)) return;
    const { first, each } = tagsOfCopy[letter];
    names.set(tag, formatTag(letter, first + no * each + (Number(tag.slice(2)) % each)));
  };
  for (const fact of facts) {
    addId(fact.id);
    if (fact.type === 'unit-sent') addTag(fact.payload.shipment);
  }
  for (const { id, code } of world.tables.parcel.values()) {
    addId(id);
    names.set(code, `${code} ${no}`);
  }
  for (const { id, parcelId, lineNo, serial } of world.tables.line.values()) {
    names.set(id, `${names.get(parcelId)}/${lineNo}`);
    if (serial) names.set(serial, `${serial}-${no}`);
  }
  for (const { id, tag, serial } of world.tables.unit.values()) {
    addId(id);
    addTag(tag);
    if (serial) names.set(serial, `${serial}-${no}`);
  }
  for (const { id, tag, bin } of world.tables.part.values()) {
    addId(id);
    addTag(tag);
    if (bin) names.set(bin, `${rackOf(no)}${bin.slice(1)}`);
  }
  const family = no % families;
  if (family > 0)
    for (const modelId of new Set(
      facts.flatMap((fact) => (fact.type === 'unit-identified' ? [fact.payload.modelId] : [])),
    ))
      names.set(modelId, copiedModel(modelId, family));
  return names;
}

const copiedModel = (id: string, family: number): string => `${id}-${family}`;

const racks = Array.from({ length: 26 * 26 }, (_, at) =>
  String.fromCharCode(65 + Math.floor(at / 26), 65 + (at % 26)),
).filter(isRackCode);
const rackCount = 60;
const rackOf = (no: number): string => racks[no % rackCount] as string;

async function addRacks(db: Knex): Promise<void> {
  for (const code of racks.slice(0, rackCount))
    await writeRack(db, { code, rows: rackRows, boxes: rackBoxes, room: boxRoom, category: null, isInUse: true });
}

async function copyModels(db: Knex, models: readonly Model[], families: number): Promise<void> {
  const used = new Set(
    ((await db('units').distinct('model_id')) as { model_id: string | null }[]).map((row) => row.model_id),
  );
  for (let family = 1; family < families; family += 1)
    for (const model of models.filter(({ id }) => used.has(id)))
      await insertModel(
        db,
        { ...model, id: copiedModel(model.id, family), name: `${model.name} ${'abcdefghijklm'[family]}` },
        { at: new Date('2024-01-01T00:00:00Z'), note: '', by: '' },
      );
}

const quoted = /"([^"\\]{3,50})"/g;

/** A JSON text with all names in it as the copy has them. */
const inNames = (text: string, names: Names): string =>
  text.replace(quoted, (all, name: string) => {
    const other = names.get(name);
    return other === undefined ? all : `"${other}"`;
  });

async function insertThings(db: Knex, { world }: Stretch, names: Names): Promise<void> {
  for (const kind of Object.keys(entityTables) as EntityKind[]) {
    const { table, write } = entityTables[kind] as { table: string; write: (thing: unknown) => object };
    const rows = [...world.tables[kind].values()].map((thing) =>
      write(JSON.parse(inNames(JSON.stringify(thing), names))),
    );
    for (let from = 0; from < rows.length; from += chunk) await db(table).insert(rows.slice(from, from + chunk));
  }
}

interface Entry {
  readonly row: FactRow;
  /** None for the demo itself, which keeps its names. */
  readonly names: Names | undefined;
  readonly shift: number;
}

/** JSON of a fact is written once for all copies. */
const texts = new WeakMap<object, string>();
function textOf(value: object): string {
  const known = texts.get(value) ?? JSON.stringify(value);
  texts.set(value, known);
  return known;
}

async function insertFacts(
  db: Knex,
  entries: readonly Entry[],
  partsOf: ReadonlyMap<number, readonly string[]>,
): Promise<void> {
  const facts: object[] = [];
  const parts: object[] = [];
  const flush = async () => {
    if (facts.length > 0) await db('facts').insert(facts.splice(0));
    if (parts.length > 0) await db('fact_parts').insert(parts.splice(0));
  };
  for (const [at, { row, names, shift }] of entries.entries()) {
    const position = at + 1;
    const named = (id: string | null) => (id === null ? null : (names?.get(id) ?? id));
    const written = (value: object) => (names ? inNames(textOf(value), names) : textOf(value));
    facts.push({
      ...row,
      id: named(row.id),
      position,
      subject_id: named(row.subject_id),
      client_at: new Date(row.client_at.getTime() - shift),
      server_at: new Date(row.server_at.getTime() - shift),
      parcel_id: named(row.parcel_id),
      unit_id: named(row.unit_id),
      part_id: named(row.part_id),
      model_id: named(row.model_id),
      undoes: named(row.undoes),
      payload: written(row.payload),
      touched: written(row.touched),
    });
    for (const partId of partsOf.get(row.position) ?? []) parts.push({ part_id: named(partId), position });
    if (facts.length >= chunk) await flush();
  }
  await flush();
}

/** Numbers given out from now on are above those of the copies. */
async function raiseCounters(db: Knex, facts: number, copies: number): Promise<void> {
  await db('counters').where({ name: 'facts' }).update({ n: facts });
  for (const letter of Object.keys(tagsOfCopy) as TagLetter[]) {
    const { first, each } = tagsOfCopy[letter];
    await db('counters')
      .where({ name: `${tagKinds[letter]}-tag` })
      .update({ n: first + (copies + 1) * each });
  }
}
