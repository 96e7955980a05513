import { modelsOfUnits } from '@/data/models/modelsOfUnits';
import { withNames, type Named } from '@/core/shop/namedIn';
import type { Knex } from 'knex';
import { carriedBy, type Parcel, type Part, type Unit } from '@/core/entities/entities';
import type { Model } from '@/core/procedure/model';
import { unitAccount, type UnitAccount } from '@/core/triage/actualMoney';
import { parseTag } from '@/core/shared/tags';
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

/** A unit's account with what it was bought for. */
export interface UnitMoney extends UnitAccount {
  readonly boughtCents: number;
}

export type ThingView =
  | {
      readonly kind: 'unit';
      readonly unit: Unit;
      readonly modelName: string | null;
      readonly parcelCode: string;
      readonly parts: readonly Part[];
      readonly facts: readonly Named<ListedFact>[];
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
  const money = model && parcel ? await moneyOf(db, { unit, model, parcel, parts }, now) : null;
  return {
    kind: 'unit',
    unit,
    money,
    modelName: model ? `${model.maker} ${model.name}` : null,
    parcelCode: parcel?.code ?? '',
    parts,
    facts: withNames(facts, await modelsOfUnits(db, facts)),
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
  return {
    kind: 'part',
    part,
    name: kind ? `${kind.modelName} ${kind.name}` : part.partRef,
    carries: carriedBy(part).map((id) => kinds[`${part.modelId}/${id}`]?.name ?? id),
    unitTag: unit?.tag ?? '',
    facts: withNames(facts, await modelsOfUnits(db, facts)),
  };
}
