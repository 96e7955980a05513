import { modelsOfUnits } from '@/data/models/modelsOfUnits';
import { withNames, type Named } from '@/core/shop/namedIn';
import type { Knex } from 'knex';
import type { Part, Unit } from '@/core/entities/entities';
import { parseTag } from '@/core/shared/tags';
import { latestFacts, type ListedFact } from '@/data/facts/latestFacts';
import { partKinds } from '@/data/models/partKinds';
import { findModel } from '@/data/models/modelRepository';
import { findParcel } from '@/data/parcels/parcelRepository';
import { findPart, partsOfUnit } from '@/data/parts/partRepository';
import { findUnit, unitsOfShipment } from '@/data/units/unitRepository';

export type ThingView =
  | {
      readonly kind: 'unit';
      readonly unit: Unit;
      readonly modelName: string | null;
      readonly parcelCode: string;
      readonly parts: readonly Part[];
      readonly facts: readonly Named<ListedFact>[];
    }
  | {
      readonly kind: 'part';
      readonly part: Part;
      readonly name: string;
      readonly unitTag: string;
      readonly facts: readonly Named<ListedFact>[];
    }
  | { readonly kind: 'shipment'; readonly shipment: string; readonly units: readonly Unit[] };

const shownFacts = 80;

/** What a tag stands for, with its history. */
export async function readThing(db: Knex, text: string): Promise<ThingView | undefined> {
  const parsed = parseTag(text);
  if (!parsed) return undefined;
  if (parsed.letter === 'U') return readUnit(db, parsed.tag);
  if (parsed.letter === 'P') return readPart(db, parsed.tag);
  const units = await unitsOfShipment(db, parsed.tag);
  return units.length > 0 ? { kind: 'shipment', shipment: parsed.tag, units } : undefined;
}

async function readUnit(db: Knex, tag: string): Promise<ThingView | undefined> {
  const unit = await findUnit(db, { tag });
  if (!unit) return undefined;
  const [model, parcel, parts, facts] = await Promise.all([
    unit.modelId && unit.modelVersion !== null ? findModel(db, unit.modelId, unit.modelVersion) : undefined,
    findParcel(db, unit.parcelId),
    partsOfUnit(db, unit.id),
    latestFacts(db, shownFacts, { unitId: unit.id }),
  ]);
  return {
    kind: 'unit',
    unit,
    modelName: model ? `${model.maker} ${model.name}` : null,
    parcelCode: parcel?.code ?? '',
    parts,
    facts: withNames(facts, await modelsOfUnits(db, facts)),
  };
}

async function readPart(db: Knex, tag: string): Promise<ThingView | undefined> {
  const part = await findPart(db, { tag });
  if (!part) return undefined;
  const [kinds, unit, facts] = await Promise.all([
    partKinds(db),
    findUnit(db, { id: part.unitId }),
    latestFacts(db, shownFacts, { partId: part.id }),
  ]);
  const kind = kinds[`${part.modelId}/${part.partRef}`];
  return {
    kind: 'part',
    part,
    name: kind ? `${kind.modelName} ${kind.name}` : part.partRef,
    unitTag: unit?.tag ?? '',
    facts: withNames(facts, await modelsOfUnits(db, facts)),
  };
}
