import type { Knex } from 'knex';
import type { EntityKind, Unit } from '@/core/bench/entities';
import type { BenchEvent } from '@/core/bench/events';
import { involved } from '@/core/bench/involved';
import { plainSerial } from '@/core/shared/serials';
import { reportedLost } from '@/data/triage/lostSerials';
import { MemoryWorld } from '@/core/bench/memoryWorld';
import { findModel } from '@/data/models/modelRepository';
import { toPart } from '@/data/parts/partRows';
import { toParcel } from '@/data/parcels/parcelRows';
import type { EventRow, ParcelRow, PartRow, UnitRow } from '@/data/rows';
import { unitsWithTimer } from '@/data/units/unitRepository';
import { toUnit } from '@/data/units/unitRows';
import { findEntities } from './entityTables';

/** Taking back a parcel or its list asks whether a unit was tagged for it. */
const mostUnits = 20_000;

/** Loads and locks what a fact involves, so that the core can judge it. */
export async function loadWorld(trx: Knex, event: BenchEvent): Promise<MemoryWorld> {
  const { keys, parcelCode, serial, line, undoes } = involved(event);
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
  if (recorded) for (const { id } of found.parcel) units.push(...(await unitsWhere(trx, { parcel_id: id }, mostUnits)));

  const world = new MemoryWorld(await modelsFor(trx, found.unit, event));
  for (const parcel of found.parcel) world.put('parcel', parcel);
  for (const entry of found.line) world.put('line', entry);
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
  // Few units wait on fixtures at a time: all of them tell whether one is free.
  if (event.type === 'wait-begun') for (const unit of await unitsWithTimer(trx)) world.put('unit', unit);
  if (event.type === 'unit-decided') {
    const serials = found.unit.flatMap(({ serial }) => (serial ? [plainSerial(serial)] : []));
    world.reportLost(Object.keys(await reportedLost(trx, serials)));
  }
  if (undoes !== undefined && recorded) world.remember(undoes, recorded.touched, recorded.isUndone);
  return world;
}

const idsOf = (keys: readonly { readonly kind: EntityKind; readonly id: string }[], kind: EntityKind): string[] => [
  ...new Set(keys.filter((key) => key.kind === kind).map(({ id }) => id)),
];

async function unitsWhere(trx: Knex, where: Partial<UnitRow>, limit = 5): Promise<Unit[]> {
  const rows = (await trx('units').where(where).limit(limit)) as UnitRow[];
  return rows.map(toUnit);
}

async function findTouched(trx: Knex, eventId: string) {
  const row = (await trx('events').where({ id: eventId }).first('touched', 'type')) as
    Pick<EventRow, 'touched' | 'type'> | undefined;
  if (!row) return undefined;
  const undo = (await trx('events').where({ undoes: eventId }).first('id')) as Pick<EventRow, 'id'> | undefined;
  return { touched: row.touched, isUndone: undo !== undefined || row.type === 'undone' };
}

async function modelsFor(trx: Knex, units: readonly Unit[], event: BenchEvent) {
  const wanted = units.flatMap(({ modelId, modelVersion }) =>
    modelId && modelVersion ? [{ modelId, modelVersion }] : [],
  );
  if (event.type === 'unit-identified') wanted.push((event as BenchEvent<'unit-identified'>).payload);
  const models = await Promise.all(wanted.map(({ modelId, modelVersion }) => findModel(trx, modelId, modelVersion)));
  return models.filter((model) => model !== undefined);
}
