import type { Unit } from '@/core/entities/entities';
import { getModelPart, modelAmong, slotsOf, type Model } from '@/core/procedure/model';
import type { ModelPart } from '@/core/procedure/parts';
import { boughtGrade } from '@/core/sale/predictSale';
import { slotNeeds } from '@/core/sale/slots';
import { grouped } from '@/core/shared/grouped';
import type { HouseRules } from '@/core/shared/houseRules';
import { groundOfModel, heldGrades, kindOf } from './kindWays';
import type { MatchStock } from './matchStock';

/** A unit with the version of its model that it stands at. */
interface Modelled {
  readonly unit: Unit;
  readonly model: Model;
}

/** Units of a stock by what they are alike in, and what everything about them hangs on. */
export interface StockKinds {
  readonly units: readonly Modelled[];
  /** The key says all that the ways of its units hang on. */
  readonly kinds: readonly { readonly key: string; readonly alike: readonly Modelled[] }[];
  /** Classes that some unit wants another part of. */
  readonly wanted: ReadonlySet<string>;
  /** A part of each class. */
  readonly partsOf: ReadonlyMap<string, ModelPart>;
  /** What one costs that is bought. */
  readonly buyCents: (interchange: string, part: ModelPart) => number;
}

export function stockKinds(stock: MatchStock, rules: HouseRules): StockKinds {
  const { models, knowledge } = stock;
  const units = stock.units.flatMap((unit) => {
    const model = modelAmong(models, unit);
    return model ? [{ unit, model }] : [];
  });
  const wanted = wantedClasses(units, stock);
  const partsOf = classParts(models);
  const cheapest = new Map(stock.offers.toReversed().map(({ interchange, cents }) => [interchange, cents]));
  const buyCents = (interchange: string, part: ModelPart) =>
    cheapest.get(interchange) ??
    Math.round(
      (part.valueCents?.[boughtGrade] ?? partsOf.get(interchange)?.valueCents?.[boughtGrade] ?? 0) *
        rules.purchaseFactor,
    );
  const grounds = new Map(
    models.map((model) => [model, groundOfModel(model, knowledge, wanted, buyCents, rules)] as const),
  );
  const alike = grouped(units, ({ unit, model }) => `${kindOf(unit, model, stock)}\n${grounds.get(model)}`);
  return { units, kinds: [...alike].map(([key, own]) => ({ key, alike: own })), wanted, partsOf, buyCents };
}

/** Classes of the slots that some unit wants another part for, and has none set aside. */
function wantedClasses(
  units: readonly { readonly unit: Unit; readonly model: Model }[],
  { gradeOf }: MatchStock,
): ReadonlySet<string> {
  return new Set(
    units.flatMap(({ unit, model }) => {
      const held = heldGrades(unit, gradeOf);
      return slotNeeds(model, unit).flatMap(({ part, isNeeded }) =>
        isNeeded && held[part.id] === undefined ? [part.interchange] : [],
      );
    }),
  );
}

/** A part of each class, of the first model that has it: what the class is worth. */
function classParts(models: readonly Model[]): ReadonlyMap<string, ModelPart> {
  const parts = new Map<string, ModelPart>();
  for (const model of models)
    for (const { id } of slotsOf(model, null)) {
      const part = getModelPart(model, id);
      if (!parts.has(part.interchange)) parts.set(part.interchange, part);
    }
  return parts;
}
