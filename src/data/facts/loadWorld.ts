import type { Knex } from 'knex';
import type { EntityKind, Unit } from '@/core/entities/entities';
import type { Fact } from '@/core/shop/facts';
import { involved, type Involved } from '@/core/shop/involved';
import type { HouseRules } from '@/core/shared/houseRules';
import { plainSerial } from '@/core/shared/serials';
import { reportedLost } from '@/data/triage/lostSerials';
import { MemoryWorld } from '@/core/shop/memoryWorld';
import { findModel } from '@/data/models/modelRepository';
import { lockPartsFreedFrom } from '@/data/parts/partRepository';
import { toPart } from '@/data/parts/partRows';
import { linesOfParcel } from '@/data/parcels/parcelRepository';
import { toParcel } from '@/data/parcels/parcelRows';
import { currentRules, findRules } from '@/data/rules/houseRulesRepository';
import { asItWas } from '@/core/shop/was';
import type { Touched } from '@/core/shop/world';
import type { FactRow, ParcelRow, PartRow, TouchedRow, UnitRow } from '@/data/rows';
import { unitsById, unitsWithTimer } from '@/data/units/unitRepository';
import { toUnit } from '@/data/units/unitRows';
import { findEntities } from './entityTables';

/** Taking back a parcel or its list asks whether a unit was tagged for it. */
const mostUnits = 20_000;

/** Loads and locks what a fact involves, so that the core can judge it. */
export async function loadWorld(trx: Knex, fact: Fact): Promise<MemoryWorld> {
  const needed = involved(fact);
  const { keys, parcelCode, serial, line, model, undoes, needsContents, needsOwnParts, needsTimers } = needed;
  const recorded = undoes === undefined ? undefined : await findTouched(trx, undoes);
  const wanted = [...keys, ...(recorded?.touched ?? [])];

  const found = {
    parcel: await findEntities(trx, 'parcel', idsOf(wanted, 'parcel'), true),
    line: await findEntities(trx, 'line', idsOf(wanted, 'line'), true),
    unit: await findEntities(trx, 'unit', idsOf(wanted, 'unit'), true),
    part: await findEntities(trx, 'part', idsOf(wanted, 'part'), true),
  };
  const units = [...found.unit];
  // Enough to answer the world's questions about others: one unit with that line, serial or parcel settles each.
  if (line) units.push(...(await unitsWhere(trx, { parcel_id: line.parcelId, line_no: line.lineNo })));
  if (serial) units.push(...(await unitsWhere(trx, { serial })));
  if (recorded || needsContents)
    for (const { id } of found.parcel) units.push(...(await unitsWhere(trx, { parcel_id: id }, mostUnits)));

  // Where a part came from is looked at and not changed.
  const origins = needed.needsOrigin ? await unitsById(trx, [...new Set(found.part.map(({ unitId }) => unitId))]) : [];
  units.push(...origins);

  const world = new MemoryWorld(
    await modelsFor(trx, [...found.unit, ...origins], model),
    await rulesFor(trx, fact.rulesVersion),
  );
  for (const parcel of found.parcel) world.put('parcel', parcel);
  for (const entry of found.line) world.put('line', entry);
  if (needsContents)
    for (const { id } of found.parcel) for (const entry of await linesOfParcel(trx, id)) world.put('line', entry);
  for (const unit of units) world.put('unit', unit);
  for (const part of found.part) world.put('part', part);
  if (parcelCode) {
    const rows = (await trx('parcels').where({ code: parcelCode })) as ParcelRow[];
    for (const row of rows) world.put('parcel', toParcel(row));
  }
  for (const unit of found.unit) {
    if (Object.keys(unit.assigned).length + Object.keys(unit.fitted).length === 0) continue;
    const rows = (await trx('parts').where({ assigned_to: unit.id }).orderBy('id').forUpdate()) as PartRow[];
    for (const row of rows) world.put('part', toPart(row));
  }
  if (needsOwnParts)
    for (const unit of found.unit) for (const part of await lockPartsFreedFrom(trx, unit.id)) world.put('part', part);
  // Few units wait on fixtures at a time: all of them tell whether one is free.
  if (needsTimers) for (const unit of await unitsWithTimer(trx)) world.put('unit', unit);
  if (needed.needsLostReports) {
    const serials = found.unit.flatMap(({ serial }) => (serial ? [plainSerial(serial)] : []));
    world.reportLost(Object.keys(await reportedLost(trx, serials)));
  }
  if (undoes !== undefined && recorded)
    world.remember(
      undoes,
      recorded.touched.map((touched) => asTouched(world, touched)),
      recorded.isUndone,
    );
  return world;
}

/** What a thing was, of what it is; of one that is gone nobody asks. */
function asTouched(world: MemoryWorld, touched: TouchedRow): Touched {
  if (!('was' in touched)) return touched;
  const { kind, id, was } = touched;
  const now = world.find(kind, id);
  return { kind, id, before: now ? asItWas(now, was) : null };
}

const idsOf = (keys: readonly { readonly kind: EntityKind; readonly id: string }[], kind: EntityKind): string[] => [
  ...new Set(keys.filter((key) => key.kind === kind).map(({ id }) => id)),
];

async function unitsWhere(trx: Knex, where: Partial<UnitRow>, limit = 5): Promise<Unit[]> {
  const rows = (await trx('units').where(where).limit(limit)) as UnitRow[];
  return rows.map(toUnit);
}

async function findTouched(trx: Knex, factId: string) {
  const row = (await trx('facts').where({ id: factId }).first('touched', 'type')) as
    Pick<FactRow, 'touched' | 'type'> | undefined;
  if (!row) return undefined;
  const undo = (await trx('facts').where({ undoes: factId }).first('id')) as Pick<FactRow, 'id'> | undefined;
  return { touched: row.touched, isUndone: undo !== undefined || row.type === 'undone' };
}

/** The rules a fact was said by, and those of today. */
async function rulesFor(trx: Knex, version: number | undefined): Promise<readonly HouseRules[]> {
  const today = await currentRules(trx);
  const said = version === undefined || version === today.version ? undefined : await findRules(trx, version);
  return said ? [said, today] : [today];
}

async function modelsFor(trx: Knex, units: readonly Unit[], named: Involved['model']) {
  const wanted = units.flatMap(({ modelId, modelVersion }) =>
    modelId && modelVersion ? [{ modelId, modelVersion }] : [],
  );
  if (named) wanted.push(named);
  const models = await Promise.all(wanted.map(({ modelId, modelVersion }) => findModel(trx, modelId, modelVersion)));
  return models.filter((model) => model !== undefined);
}
