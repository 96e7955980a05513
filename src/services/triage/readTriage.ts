import type { Knex } from 'knex';
import type { ParcelLine, Unit } from '@/core/entities/entities';
import { plainSerial } from '@/core/shared/serials';
import { identityOf, type ModelIdentity } from '@/core/procedure/identity';
import type { Model } from '@/core/procedure/model';
import type { ShopKnowledge } from '@/core/triage/knowledge';
import { shopKnowledge } from '@/core/triage/shopKnowledge';
import { priceBook } from '@/data/prices/priceBook';
import { currentRules } from '@/data/rules/houseRulesRepository';
import { newestModels } from '@/data/models/modelRepository';
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
  /** Documents of what is identified already, and of what the lists promise. */
  readonly models: readonly Model[];
  readonly knowledge: ShopKnowledge;
  /** Tags under which serials of these units left the shop before, by serial. */
  readonly returns: Readonly<Record<string, string>>;
  /** Serials of these units that were reported lost, with the day. */
  readonly lost: Readonly<Record<string, string>>;
  /** Units that others have in hand now, with their names. */
  readonly held: Readonly<Record<string, string>>;
}

/** Units that wait for a decision, and what is known to decide by. */
export async function readTriage(db: Knex, personId: string, now: Date): Promise<TriageView> {
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
  const promised = new Set(Object.values(lines).map(({ maker, model }) => `${maker} ${model}`));
  const serials = units.flatMap((unit) => unit.serial ?? lines[unit.id]?.serial ?? []).filter(Boolean);
  const [identified, returns, lost] = await Promise.all([
    modelsOfUnits(db, units, now),
    sentWithSerial(db, serials),
    reportedLost(db, serials.map(plainSerial)),
  ]);
  return {
    units,
    identities: library.map(identityOf),
    models: [...new Set([...identified, ...library.filter(({ maker, name }) => promised.has(`${maker} ${name}`))])],
    knowledge: shopKnowledge(ground, rules),
    held,
    returns,
    lost,
    lines,
  };
}
