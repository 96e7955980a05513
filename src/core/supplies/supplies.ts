import type { Model } from '@/core/procedure/model';
import { comesOut, isScrew, type Screw } from '@/core/procedure/joints';
import type { Wording } from '@/core/shared/message';

/** What sheets use up and nobody harvests: adhesives, frames and seals by name, screws by drive and size. */
export type Supply =
  | { readonly key: string; readonly kind: 'consumable'; readonly name: Wording<'sheet'>; readonly unitCents: number }
  | {
      readonly key: string;
      readonly kind: 'screw';
      readonly drive: string;
      readonly diameterMm: number | null;
      readonly lengthMm: number | null;
    };

export interface SupplyUse {
  readonly supply: Supply;
  readonly count: number;
}

/** What each operation of a model uses on its way back, and which spare screws its joints would take. */
export interface ModelUses {
  readonly back: ReadonlyMap<string, readonly SupplyUse[]>;
  /** Spares of one operation: where its screws are of several kinds, the one of which there are most stands first. */
  readonly spare: ReadonlyMap<string, readonly SupplyUse[]>;
}

const nameKey = (name: Wording<'sheet'>): string => (typeof name === 'string' ? name : `=${name.code}`);

function screwOf({ drive, diameterMm, lengthMm }: Screw): Supply {
  const [diameter, length] = [diameterMm ?? null, lengthMm ?? null];
  const key = `screw ${drive} ${diameter ?? '?'}x${length ?? '?'}`;
  return { key, kind: 'screw', drive, diameterMm: diameter, lengthMm: length };
}

/** All that the sheets of a model may use up. @param model  as the house does it: see `modelBySchools` */
export function usesOf({ operations, joints }: Pick<Model, 'operations' | 'joints'>): ModelUses {
  const byId = new Map(joints.map((joint) => [joint.id, joint]));
  const screwsOf = (ids: readonly string[]) =>
    ids.flatMap((id) => {
      const joint = byId.get(id);
      return joint && isScrew(joint) && comesOut(joint) ? [joint] : [];
    });
  const back = new Map<string, readonly SupplyUse[]>();
  const spare = new Map<string, readonly SupplyUse[]>();
  for (const operation of operations) {
    const screws = screwsOf([...operation.opens, ...(operation.opensIfShut ?? [])]);
    const consumables = (operation.back?.consumables ?? []).map(({ name, count, unitCents }) => ({
      supply: { key: `consumable ${nameKey(name)}`, kind: 'consumable', name, unitCents } as const,
      count,
    }));
    const renewed = operation.back === null ? [] : counted(screws.filter(({ singleUse }) => singleUse).map(screwOf));
    back.set(operation.id, [...consumables, ...renewed]);
    spare.set(
      operation.id,
      counted(screws.map(screwOf)).toSorted((a, b) => b.count - a.count),
    );
  }
  return { back, spare };
}

function counted(supplies: readonly Supply[]): readonly SupplyUse[] {
  const uses = new Map<string, SupplyUse>();
  for (const supply of supplies) uses.set(supply.key, { supply, count: (uses.get(supply.key)?.count ?? 0) + 1 });
  return [...uses.values()];
}

/** All supplies of some models, each once, with the models whose sheets use it. */
export function suppliesOf(
  models: readonly Pick<Model, 'id' | 'operations' | 'joints'>[],
): readonly { readonly supply: Supply; readonly modelIds: readonly string[] }[] {
  const found = new Map<string, { supply: Supply; modelIds: string[] }>();
  for (const model of models) {
    const { back, spare } = usesOf(model);
    for (const { supply } of [...back.values(), ...spare.values()].flat()) {
      const own = found.get(supply.key) ?? { supply, modelIds: [] };
      if (!own.modelIds.includes(model.id)) own.modelIds.push(model.id);
      found.set(supply.key, own);
    }
  }
  return [...found.values()];
}
