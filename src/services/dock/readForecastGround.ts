import type { Knex } from 'knex';
import type { ParcelItem } from '@/core/intake/forecastParcel';
import type { Model } from '@/core/procedure/model';
import type { HouseRules } from '@/core/shared/houseRules';
import type { ShopKnowledge } from '@/core/triage/knowledge';
import { seenInParcel, type SeenInParcel } from '@/core/triage/seenInParcel';
import { shopKnowledge } from '@/core/triage/shopKnowledge';
import { priceBook } from '@/data/prices/priceBook';
import { currentRules } from '@/data/rules/houseRulesRepository';
import { newestModels } from '@/data/models/modelRepository';
import { modelsOfUnits } from '@/data/models/modelsOfUnits';
import { findParcel, linesOfParcel } from '@/data/parcels/parcelRepository';
import { knowledgeGround } from '@/data/triage/knowledgeGround';
import { weighedOf } from '@/data/triage/decisions';
import { unitsOfParcel } from '@/data/units/unitRepository';

/** What a forecast of a parcel is computed from. */
export interface ForecastGround {
  /** The version of the parcel that it is of. */
  readonly version: number;
  readonly items: readonly ParcelItem[];
  readonly models: readonly Model[];
  readonly shop: ShopKnowledge;
  readonly seen: SeenInParcel;
  readonly rules: HouseRules;
}

/** Units that came as what they are, and lines that promise one as what they promise. */
export async function readForecastGround(db: Knex, parcelId: string, now: Date): Promise<ForecastGround | undefined> {
  const parcel = await findParcel(db, parcelId);
  if (!parcel) return undefined;
  const [lines, units, newest, ground, rules, { price }] = await Promise.all([
    linesOfParcel(db, parcelId),
    unitsOfParcel(db, parcelId),
    newestModels(db),
    knowledgeGround(db, now),
    currentRules(db),
    priceBook(db, now),
  ]);
  const library = newest.map((model) => price(model));
  const [own, weighed] = await Promise.all([
    modelsOfUnits(db, units, now),
    weighedOf(
      db,
      units.map(({ id }) => id),
    ),
  ]);
  const promised = new Map(library.map((model) => [`${model.maker} ${model.name}`.toLowerCase(), model]));
  const keyOf = ({ id, version }: Model) => `${id}@${version}`;
  const lineOf = new Map(lines.map((line) => [line.lineNo, line]));
  const promisedBy = (lineNo: number | null) => {
    const line = lineNo === null ? undefined : lineOf.get(lineNo);
    return line && promised.get(`${line.maker} ${line.model}`.toLowerCase());
  };
  const taken = new Set(units.map(({ lineNo }) => lineNo));
  const itemOfModel = (model: Model | undefined): ParcelItem => ({
    model: model ? keyOf(model) : null,
    decided: null,
    unit: null,
    sought: null,
  });
  const items = [
    ...units.map((unit): ParcelItem => {
      if (unit.modelId === null) return itemOfModel(promisedBy(unit.lineNo));
      const { revision, configuration, variant, marks, tests } = unit;
      return {
        model: `${unit.modelId}@${unit.modelVersion}`,
        decided: weighed.get(unit.id) ?? null,
        unit: { revision, configuration, variant, marks, tests },
        sought: unit.sheet?.kind === 'teardown' ? unit.sheet.targets : null,
      };
    }),
    // When the box is empty, what has no tag did not come.
    ...(parcel.isCounted ? [] : lines.filter(({ lineNo }) => !taken.has(lineNo))).map(({ lineNo }) =>
      itemOfModel(promisedBy(lineNo)),
    ),
  ];
  const named = new Set(items.map(({ model }) => model));
  const models = new Map([...library, ...own].map((model) => [keyOf(model), model]));
  return {
    version: parcel.version,
    items,
    rules,
    shop: shopKnowledge(ground, rules),
    seen: seenInParcel(parcelId, ground),
    models: [...models].flatMap(([key, model]) => (named.has(key) ? [model] : [])),
  };
}
