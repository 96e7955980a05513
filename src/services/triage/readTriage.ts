import type { Knex } from 'knex';
import type { ParcelLine, Unit } from '@/core/entities/entities';
import { plainSerial } from '@/core/shared/serials';
import { identityOf, type ModelIdentity } from '@/core/procedure/identity';
import { modelAmong, type Model } from '@/core/procedure/model';
import { knowledgeAmong, type ShopKnowledge } from '@/core/triage/knowledge';
import { shopKnowledge } from '@/core/triage/shopKnowledge';
import { priceBook } from '@/data/prices/priceBook';
import { currentRules } from '@/data/rules/houseRulesRepository';
import { findModel, newestModels } from '@/data/models/modelRepository';
import { modelsOfUnits } from '@/data/models/modelsOfUnits';
import { linesOfUnits } from '@/data/parcels/parcelRepository';
import { holdsOfOthers } from '@/data/triage/holds';
import { reportedLost } from '@/data/triage/lostSerials';
import { knowledgeGround } from '@/data/triage/knowledgeGround';
import { sentWithSerial, unitsAt } from '@/data/units/unitRepository';

export interface TriageView {
  readonly units: readonly Unit[];
  /** What the manifest says of a unit, by unit id. */
  readonly lines: Readonly<Record<string, ParcelLine>>;
  /** What can be identified. */
  readonly identities: readonly ModelIdentity[];
  /**
   * Documents of what is identified already, and of what the lists promise, with what is known of them: of the units that come
   * first. The others are asked for as `TriageDocument`.
   */
  readonly models: readonly Model[];
  readonly knowledge: ShopKnowledge;
  /** Tags under which serials of these units left the shop before, by serial. */
  readonly returns: Readonly<Record<string, string>>;
  /** Serials of these units that were reported lost, with the day. */
  readonly lost: Readonly<Record<string, string>>;
  /** Units that others have in hand now, with their names. */
  readonly held: Readonly<Record<string, string>>;
}

/** One model, and what is known of it. */
export interface TriageDocument {
  readonly model: Model;
  readonly knowledge: ShopKnowledge;
}

/** So many documents go to a screen at once. */
export const mostDocuments = 8;

/** Units that wait for a decision, and what is known to decide by. @param tag  of the unit that is to come first */
export async function readTriage(db: Knex, personId: string, now: Date, tag?: string): Promise<TriageView> {
  const [units, newest, held, ground, rules, { price }] = await Promise.all([
    unitsAt(db, ['triage']),
    newestModels(db),
    holdsOfOthers(db, personId, now),
    knowledgeGround(db, now),
    currentRules(db),
    priceBook(db, now),
  ]);
  const library = newest.map((model) => price(model));
  const lines = await linesOfUnits(db, units);
  const serials = units.flatMap((unit) => unit.serial ?? lines[unit.id]?.serial ?? []).filter(Boolean);
  const [identified, returns, lost] = await Promise.all([
    modelsOfUnits(db, units, now),
    sentWithSerial(db, serials),
    reportedLost(db, serials.map(plainSerial)),
  ]);
  const byName = new Map(library.map((model) => [`${model.maker} ${model.name}`, model]));
  const isLater = (unit: Unit) => (unit.tag === tag ? 0 : held[unit.id] === undefined ? 1 : 2);
  const inOrder = [...units].sort((one, other) => isLater(one) - isLater(other));
  const wanted = inOrder.flatMap((unit) => {
    const line = lines[unit.id];
    return modelAmong(identified, unit) ?? byName.get(`${line?.maker} ${line?.model}`) ?? [];
  });
  const models = [...new Set(wanted)].slice(0, mostDocuments);
  return {
    units,
    identities: library.map(identityOf),
    models,
    knowledge: knowledgeAmong(
      shopKnowledge(ground, rules),
      models.map(({ id }) => id),
    ),
    held,
    returns,
    lost,
    lines,
  };
}

/** One model as a unit of it is weighed by; undefined when there is none such. */
export async function readDocument(
  db: Knex,
  id: string,
  version: number,
  now: Date,
): Promise<TriageDocument | undefined> {
  const written = await findModel(db, id, version);
  if (!written) return undefined;
  const [ground, rules, { price }] = await Promise.all([
    knowledgeGround(db, now),
    currentRules(db),
    priceBook(db, now),
  ]);
  return { model: price(written), knowledge: knowledgeAmong(shopKnowledge(ground, rules), [id]) };
}
