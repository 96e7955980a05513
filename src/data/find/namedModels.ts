import type { Knex } from 'knex';
import type { NamedModel } from '@/core/find/readQuery';
import { upgradeModel } from '@/core/procedure/upgradeModel';
import type { Model } from '@/core/procedure/model';
import type { ModelRow } from '@/data/rows';

/** A published version never changes: its names are read from its document once. */
const known = new Map<string, NamedModel>();

const namesOf = ({ id, version, maker, name, letters, aliases, parts, operations }: Model): NamedModel => ({
  id,
  version,
  maker,
  name,
  letters,
  aliases,
  parts: parts.map((part) => ({ id: part.id, name: part.name, aliases: part.aliases, category: part.category })),
  steps: operations.map((operation) => ({ id: operation.id, title: operation.title })),
});

/** The names of the newest version of every model. */
export async function namedModels(db: Knex): Promise<readonly NamedModel[]> {
  const newest = (await db('model_cards').select('id', 'version').orderBy('name')) as Pick<
    ModelRow,
    'id' | 'version'
  >[];
  const { database } = db.client.config.connection as { database?: string };
  const keyOf = ({ id, version }: Pick<ModelRow, 'id' | 'version'>) => `${database ?? ''}/${id}@${version}`;
  const missing = newest.filter((key) => !known.has(keyOf(key)));
  if (missing.length > 0) {
    const rows = (await db('models')
      .whereIn(
        ['id', 'version'],
        missing.map(({ id, version }) => [id, version]),
      )
      .select('document')) as Pick<ModelRow, 'document'>[];
    for (const { document } of rows) known.set(keyOf(document), namesOf(upgradeModel(document)));
  }
  return newest.flatMap((key) => known.get(keyOf(key)) ?? []);
}
