import { modelsOfUnits } from '@/data/models/modelsOfUnits';
import { withNames, type Named } from '@/core/shop/namedIn';
import { join } from 'node:path';
import type { Knex } from 'knex';
import { carriedBy, type Parcel, type Part, type Unit } from '@/core/entities/entities';
import type { Model } from '@/core/procedure/model';
import { unitAccount, type UnitAccount } from '@/core/triage/actualMoney';
import { parseTag } from '@/core/shared/tags';
import { archivedPlaces } from '@/data/archive/archiveRepository';
import { listArchived } from '@/data/archive/listArchived';
import { latestFacts, type ListedFact } from '@/data/facts/latestFacts';
import { partKinds } from '@/data/models/partKinds';
import { findModel } from '@/data/models/modelRepository';
import { parcelCost } from '@/data/parcels/parcelCost';
import { findParcel } from '@/data/parcels/parcelRepository';
import { parcelUnits } from '@/data/parcels/parcelUnits';
import { priceBook } from '@/data/prices/priceBook';
import { releaseDays } from '@/data/prices/releaseDays';
import { marketNow } from '@/data/plans/planGround';
import { currentRules } from '@/data/rules/houseRulesRepository';
import { workSeconds } from '@/data/triage/decisions';
import { findPart, partsById, partsOfUnit } from '@/data/parts/partRepository';
import { findUnit, unitsOfShipment } from '@/data/units/unitRepository';
import { archiveFolder, readMember, type ArchivedFact } from '@/files/factArchive';

/** A unit's account with what it was bought for. */
export interface UnitMoney extends UnitAccount {
  readonly boughtCents: number;
}

/** How much of a story is in an archive, and whether it could be read there. */
export interface ArchivedPart {
  readonly file: string;
  readonly facts: number;
  readonly state: 'read' | 'away' | 'damaged';
}

export type ThingView =
  | {
      readonly kind: 'unit';
      readonly unit: Unit;
      readonly modelName: string | null;
      readonly parcelCode: string;
      readonly parts: readonly Part[];
      readonly facts: readonly Named<ListedFact>[];
      readonly archived: ArchivedPart | null;
      /** Its money; null while its model is not known. */
      readonly money: UnitMoney | null;
    }
  | {
      readonly kind: 'part';
      readonly part: Part;
      readonly name: string;
      /** Names of the parts that are still on it. */
      readonly carries: readonly string[];
      readonly unitTag: string;
      readonly facts: readonly Named<ListedFact>[];
      readonly archived: ArchivedPart | null;
    }
  | { readonly kind: 'shipment'; readonly shipment: string; readonly units: readonly Unit[] };

const shownFacts = 80;

/** What a tag stands for, with its history. */
export async function readThing(db: Knex, text: string, now: Date): Promise<ThingView | undefined> {
  const parsed = parseTag(text);
  if (!parsed) return undefined;
  if (parsed.letter === 'U') return readUnit(db, parsed.tag, now);
  if (parsed.letter === 'P') return readPart(db, parsed.tag, now);
  const units = await unitsOfShipment(db, parsed.tag);
  return units.length > 0 ? { kind: 'shipment', shipment: parsed.tag, units } : undefined;
}

async function readUnit(db: Knex, tag: string, now: Date): Promise<ThingView | undefined> {
  const unit = await findUnit(db, { tag });
  if (!unit) return undefined;
  const [model, parcel, parts, facts] = await Promise.all([
    unit.modelId && unit.modelVersion !== null ? findModel(db, unit.modelId, unit.modelVersion) : undefined,
    findParcel(db, unit.parcelId),
    partsOfUnit(db, unit.id),
    latestFacts(db, shownFacts, { unitId: unit.id }),
  ]);
  const told = await withArchived(db, facts, [unit.id], (fact) => fact.unit === unit.id);
  const money = model && parcel ? await moneyOf(db, { unit, model, parcel, parts }, now) : null;
  return {
    kind: 'unit',
    unit,
    money,
    modelName: model ? `${model.maker} ${model.name}` : null,
    parcelCode: parcel?.code ?? '',
    parts,
    facts: withNames(told.facts, await modelsOfUnits(db, told.facts)),
    archived: told.archived,
  };
}

/** What it was bought for, what went into it and what came of it. */
async function moneyOf(
  db: Knex,
  of: { readonly unit: Unit; readonly model: Model; readonly parcel: Parcel; readonly parts: readonly Part[] },
  now: Date,
): Promise<UnitMoney> {
  const { unit, model, parcel, parts } = of;
  const [all, market, rules, released, { price }, seconds, fitted] = await Promise.all([
    parcelUnits(db, parcel.id),
    marketNow(db, now),
    currentRules(db),
    releaseDays(db, [unit.id]),
    priceBook(db, now),
    workSeconds(db, [unit.id]),
    partsById(db, Object.values(unit.fitted)),
  ]);
  const { byUnit } = await parcelCost(db, parcel, all);
  const freed = parts.filter(({ unitId }) => unitId === unit.id);
  const account = unitAccount(
    { unit, model: price(model, released.get(unit.id)), freed, fitted, seconds: seconds.get(unit.id) ?? 0 },
    market,
    rules,
  );
  return { ...account, boughtCents: byUnit.get(unit.id) ?? 0 };
}

async function readPart(db: Knex, tag: string, now: Date): Promise<ThingView | undefined> {
  const part = await findPart(db, { tag });
  if (!part) return undefined;
  const [kinds, unit, facts] = await Promise.all([
    partKinds(db, now),
    findUnit(db, { id: part.unitId }),
    latestFacts(db, shownFacts, { partId: part.id }),
  ]);
  const kind = kinds[`${part.modelId}/${part.partRef}`];
  const told = await withArchived(
    db,
    facts,
    [part.unitId],
    (fact) => fact.part === part.id || fact.touched.some(({ id }) => id === part.id),
  );
  return {
    kind: 'part',
    part,
    name: kind ? `${kind.modelName} ${kind.name}` : part.partRef,
    carries: carriedBy(part).map((id) => kinds[`${part.modelId}/${id}`]?.name ?? id),
    unitTag: unit?.tag ?? '',
    facts: withNames(told.facts, await modelsOfUnits(db, told.facts)),
    archived: told.archived,
  };
}

/** What is in the log with what of the same is in an archive, newest first. */
async function withArchived(
  db: Knex,
  facts: readonly ListedFact[],
  unitIds: readonly string[],
  isOfIt: (fact: ArchivedFact) => boolean,
): Promise<{ readonly facts: readonly ListedFact[]; readonly archived: ArchivedPart | null }> {
  const [place] = await archivedPlaces(db, unitIds);
  if (!place) return { facts, archived: null };
  const { file, at_byte: offset, bytes: length } = place;
  const read = await readMember(join(archiveFolder(), file), { offset, length, facts: place.facts });
  if (typeof read === 'string') return { facts, archived: { file, facts: place.facts, state: read } };
  const known = new Set(facts.map(({ id }) => id));
  const own = read.filter((fact) => isOfIt(fact) && !known.has(fact.id));
  const undone = new Set(read.flatMap(({ undoes }) => undoes ?? []));
  const listed = await listArchived(db, own, undone);
  return {
    facts: [...facts, ...listed].sort((one, other) => other.position - one.position).slice(0, shownFacts),
    archived: { file, facts: own.length, state: 'read' },
  };
}
