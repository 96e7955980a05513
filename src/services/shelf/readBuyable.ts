import type { Knex } from 'knex';
import { newestModels } from '@/data/models/modelRepository';

/** A part as its newest model has it. */
export interface Buyable {
  readonly partRef: string;
  readonly name: string;
  readonly interchange: string;
  /** Whether other parts sit on it. */
  readonly isAssembly: boolean;
}

export interface BuyableModel {
  readonly modelId: string;
  readonly modelVersion: number;
  readonly name: string;
  readonly parts: readonly Buyable[];
}

/** All parts of the newest models: what can be bought for them. */
export async function readBuyable(db: Knex): Promise<readonly BuyableModel[]> {
  const models = await newestModels(db);
  return models
    .map(({ id, version, maker, name, parts }) => ({
      modelId: id,
      modelVersion: version,
      name: `${maker} ${name}`,
      parts: parts.map((part) => ({
        partRef: part.id,
        name: part.name,
        interchange: part.interchange,
        isAssembly: (part.transfers ?? []).length > 0,
      })),
    }))
    .sort((a, b) => a.name.localeCompare(b.name));
}
