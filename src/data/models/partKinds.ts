import type { Knex } from 'knex';
import { carriedBy, type Part } from '@/core/entities/entities';
import type { ModelPart } from '@/core/procedure/parts';
import { priceBook } from '@/data/prices/priceBook';
import { newestModels } from './modelRepository';

/** What a part is called, how it is kept, and what it is worth. */
export interface PartKind {
  readonly name: string;
  readonly modelName: string;
  readonly handling: string;
  readonly valueCents: Readonly<Record<string, number>>;
  /** Of a battery: what its label should say. */
  readonly ratedAmpHours?: number;
  readonly cell?: ModelPart['cell'];
  /** The question whose yes lets a single-use part be used again. */
  readonly reusableIf?: string;
}

export type PartKinds = Readonly<Record<string, PartKind>>;

/** The kinds of some parts, and of what is still on them: a screen needs no others. */
export function kindsAmong(
  kinds: PartKinds,
  parts: readonly Pick<Part, 'modelId' | 'partRef' | 'carries'>[],
): PartKinds {
  const wanted = new Set(
    parts.flatMap((part) => [part.partRef, ...carriedBy(part)].map((id) => `${part.modelId}/${id}`)),
  );
  return Object.fromEntries([...wanted].flatMap((key) => (kinds[key] ? [[key, kinds[key]]] : [])));
}

/** Names of all parts of the newest models, with their values at the prices of today. */
export async function partKinds(db: Knex, now: Date): Promise<PartKinds> {
  const [newest, { price }] = await Promise.all([newestModels(db), priceBook(db, now)]);
  const models = newest.map((model) => price(model));
  return Object.fromEntries(
    models.flatMap((model) =>
      model.parts.map(({ id, name, handling, valueCents, ratedAmpHours, cell, reusableIf }) => [
        `${model.id}/${id}`,
        {
          name,
          modelName: model.name,
          handling: handling ?? '',
          valueCents: valueCents ?? {},
          ...(ratedAmpHours !== undefined && { ratedAmpHours }),
          ...(cell && { cell }),
          ...(reusableIf !== undefined && { reusableIf }),
        },
      ]),
    ),
  );
}
