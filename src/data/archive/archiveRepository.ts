import type { Knex } from 'knex';
import { isDuplicate } from '@/data/errors';
import { doersOf } from '@/data/facts/doers';
import { grouped } from '@/core/shared/grouped';
import { countedOf } from '@/core/tallies/countedOf';
import { talliedTypes } from '@/core/tallies/talliesOf';
import { toTalliedFact } from '@/data/tallies/tallyGrounds';
import type { ArchiveRow, ArchivedUnitRow, FactRow } from '@/data/rows';
import { overBefore } from './unitsOver';

const atOnce = 100;

/** All that is told of a unit and of the parts that came from it, in the order of the log. */
export interface ToldOfUnit {
  readonly unitId: string;
  readonly facts: readonly FactRow[];
  /** Who did them, by fact. */
  readonly doers: ReadonlyMap<string, Doer>;
}

interface Doer {
  readonly id: string;
  readonly name: string;
}

/** What is told of units, some at a time. */
export async function* toldOf(db: Knex, unitIds: readonly string[]): AsyncGenerator<ToldOfUnit, undefined> {
  for (let from = 0; from < unitIds.length; from += atOnce) {
    const some = unitIds.slice(from, from + atOnce);
    const [own, ofParts] = await Promise.all([
      db('facts').whereIn('unit_id', some) as Promise<FactRow[]>,
      db('parts as p')
        .join('fact_parts as f', 'f.part_id', 'p.id')
        .join('facts as e', 'e.position', 'f.position')
        .whereIn('p.unit_id', some)
        .select('e.*', { owner: 'p.unit_id' }) as Promise<(FactRow & { owner: string })[]>,
    ]);
    const told = new Map(some.map((id) => [id, new Map<number, FactRow>()]));
    for (const fact of own) told.get(fact.unit_id as string)?.set(fact.position, fact);
    for (const { owner, ...fact } of ofParts) told.get(owner)?.set(fact.position, fact);
    for (const [unitId, facts] of told) {
      const rows = [...facts.values()].sort((one, other) => one.position - other.position);
      yield { unitId, facts: rows, doers: await doersByFact(db, rows) };
    }
  }
  return undefined;
}

async function doersByFact(db: Knex, facts: readonly FactRow[]): Promise<ReadonlyMap<string, Doer>> {
  const others = await doersOf(
    db,
    facts.map(({ id }) => id),
  );
  const doerOf = ({ id, person_id: person }: FactRow) => others.get(id) ?? person;
  const people = (await db('people')
    .whereIn('id', [...new Set(facts.map(doerOf))])
    .select('id', 'name')) as Doer[];
  const nameOf = new Map(people.map(({ id, name }) => [id, name]));
  return new Map(facts.map((fact) => [fact.id, { id: doerOf(fact), name: nameOf.get(doerOf(fact)) ?? '' }]));
}

/**
 * Takes a name for an archive that is to be written. Nobody else gets it: two who write at once write two files.
 *
 * @returns its id; undefined when the name is taken
 */
export async function claimArchive(
  db: Knex,
  archive: Pick<ArchiveRow, 'file' | 'left_before' | 'made_at'>,
): Promise<number | undefined> {
  try {
    const [id] = (await db('archives').insert({ ...archive, sha256: '', units: 0, facts: 0 })) as [number];
    return id;
  } catch (error) {
    if (isDuplicate(error)) return undefined;
    throw error;
  }
}

/** What was written under a name. */
export const sealArchive = async (db: Knex, id: number, sha256: string): Promise<void> =>
  void (await db('archives').where({ id }).update({ sha256 }));

/** Gives back a name under which nothing was written. */
export const dropArchive = async (db: Knex, id: number): Promise<void> =>
  void (await db('archives').where({ id, units: 0 }).delete());

/** Where the facts of a unit stand in the archive. */
export type Moved = Pick<ArchivedUnitRow, 'unit_id' | 'at_byte' | 'bytes' | 'facts'>;

/**
 * Notes where some units are in an archive and takes their facts out of the log, in one transaction; what is counted of them is
 * kept. A fact moves once every unit that it concerns is in the same archive: one of a part that went into another unit waits for
 * that. That a unit was sent stays in the log, for its papers, and so does what is taken back later than all this; and all of a
 * unit that came back, or went to another archive, since the file was written.
 *
 * @param upTo  position before which facts are moved
 * @returns how many units and facts left the log
 */
export async function moveOut(
  trx: Knex,
  archiveId: number,
  moved: readonly Moved[],
  upTo: number,
): Promise<{ readonly units: number; readonly facts: number }> {
  const ids = (await overBefore(trx, upTo)
    .whereIn(
      'u.id',
      moved.map(({ unit_id }) => unit_id),
    )
    .orderBy('u.id')
    .forUpdate()
    .pluck('u.id')) as string[];
  if (ids.length === 0) return { units: 0, facts: 0 };
  await trx('archived_units').insert(
    moved
      .filter(({ unit_id }) => ids.includes(unit_id))
      .map((row) => ({ ...row, archive_id: archiveId, seconds: 0, counted: '[]' })),
  );
  const facts = await movable(trx, archiveId, ids, upTo);
  const positions = facts.map(({ position }) => position);
  await keepCounted(trx, facts);
  await trx('fact_parts').whereIn('position', positions).delete();
  await trx('facts').whereIn('position', positions).delete();
  await trx('archives')
    .where({ id: archiveId })
    .update({ units: trx.raw('units + ?', [ids.length]), facts: trx.raw('facts + ?', [facts.length]) });
  return { units: ids.length, facts: facts.length };
}

type MovableRow = FactRow & { readonly undo: string | null };

async function movable(
  trx: Knex,
  archiveId: number,
  unitIds: readonly string[],
  upTo: number,
): Promise<readonly MovableRow[]> {
  const columns = { undo: 'back.id' };
  const [own, ofParts] = await Promise.all([
    trx('facts as e')
      .leftJoin('facts as back', 'back.undoes', 'e.id')
      .whereIn('e.unit_id', [...unitIds])
      .where('e.position', '<', upTo)
      .select('e.*', columns) as Promise<MovableRow[]>,
    trx('parts as p')
      .join('fact_parts as f', 'f.part_id', 'p.id')
      .join('facts as e', 'e.position', 'f.position')
      .leftJoin('facts as back', 'back.undoes', 'e.id')
      .whereIn('p.unit_id', [...unitIds])
      .where('f.position', '<', upTo)
      .select('e.*', columns) as Promise<MovableRow[]>,
  ]);
  const all = new Map([...own, ...ofParts].map((fact) => [fact.id, fact]));
  const others = await concerned(trx, [...all.values()]);
  const here = new Set(
    (await trx('archived_units')
      .where({ archive_id: archiveId })
      .whereIn('unit_id', [...new Set([...others.values()].flat())])
      .pluck('unit_id')) as string[],
  );
  const isFree = (fact: MovableRow): boolean =>
    fact.type !== 'unit-sent' && (others.get(fact.position) ?? []).every((id) => here.has(id));
  return [...all.values()].filter((fact) => {
    if (!isFree(fact)) return false;
    // A fact and what takes it back go together, or stay together.
    const partner = all.get((fact.undoes ?? fact.undo) as string);
    return fact.undoes === null && fact.undo === null ? true : partner !== undefined && isFree(partner);
  });
}

/** Ids of the units that facts are about, and of those from which the parts came that they are about. */
async function concerned(trx: Knex, facts: readonly FactRow[]): Promise<ReadonlyMap<number, readonly string[]>> {
  const rows = (await trx('fact_parts as f')
    .join('parts as p', 'p.id', 'f.part_id')
    .whereIn(
      'f.position',
      facts.map(({ position }) => position),
    )
    .select('f.position', 'p.unit_id')) as { position: number; unit_id: string }[];
  const units = new Map<number, string[]>(facts.map((fact) => [fact.position, fact.unit_id ? [fact.unit_id] : []]));
  for (const { position, unit_id } of rows) units.get(position)?.push(unit_id);
  return units;
}

/** Adds to what is kept of units what is counted of facts that leave the log: of those that stand. */
async function keepCounted(trx: Knex, facts: readonly MovableRow[]): Promise<void> {
  const standing = facts
    .filter(({ undo, type }) => undo === null && type !== 'undone')
    .sort((one, other) => one.position - other.position);
  for (const [unitId, own] of grouped(standing, ({ unit_id }) => unit_id)) {
    if (unitId === null) continue;
    const row = (await trx('archived_units').where({ unit_id: unitId }).forUpdate().first()) as ArchivedUnitRow;
    const counted = own.flatMap((fact) => (isTallied(fact) ? (countedOf(toTalliedFact(fact)) ?? []) : []));
    const seconds = own.reduce((sum, fact) => sum + (fact.type === 'step-done' ? fact.payload.seconds : 0), 0);
    await trx('archived_units')
      .where({ unit_id: unitId })
      .update({
        seconds: Math.round(row.seconds + seconds),
        counted: JSON.stringify([...row.counted, ...counted]),
      });
  }
}

const isTallied = ({ type }: FactRow): boolean => (talliedTypes as readonly string[]).includes(type);

/** Every archive to which something was moved, the newest first. */
export async function listArchives(db: Knex): Promise<readonly ArchiveRow[]> {
  return (await db('archives').where('units', '>', 0).orderBy('id', 'desc')) as ArchiveRow[];
}

/** Where the facts of some units are, of those that are archived. */
export async function archivedPlaces(
  db: Knex,
  unitIds: readonly string[],
): Promise<readonly (Moved & Pick<ArchiveRow, 'file'>)[]> {
  return (await db('archived_units as u')
    .join('archives as a', 'a.id', 'u.archive_id')
    .whereIn('u.unit_id', [...unitIds])
    .select('u.unit_id', 'u.at_byte', 'u.bytes', 'u.facts', 'a.file')) as (Moved & Pick<ArchiveRow, 'file'>)[];
}
