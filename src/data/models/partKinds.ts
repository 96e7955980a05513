import type { Knex } from 'knex';
import { newestModels } from './modelRepository';

/** What a part is called, how it is kept, and what it is worth. */
export interface PartKind {
  readonly name: string;
  readonly modelName: string;
  readonly handling: string;
  readonly valueCents: Readonly<Record<string, number>>;
}

/** Names and values of all parts of the newest models. */
export async function partKinds(db: Knex): Promise<Readonly<Record<string, PartKind>>> {
  const models = await newestModels(db);
  return Object.fromEntries(
    models.flatMap((model) =>
      model.parts.map(({ id, name, handling, valueCents }) => [
        `${model.id}/${id}`,
        { name, modelName: model.name, handling: handling ?? '', valueCents: valueCents ?? {} },
      ]),
    ),
  );
}
