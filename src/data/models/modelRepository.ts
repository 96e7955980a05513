import type { Knex } from 'knex';
import type { Model } from '@/core/procedure/model';
import type { ModelRow } from '@/data/rows';

/** Published versions never change, so what was read once is kept. */
const kept = new WeakMap<object, Map<string, Model>>();

function keptFor(db: Knex): Map<string, Model> {
  const config = db.client.config as object;
  const models = kept.get(config) ?? new Map<string, Model>();
  kept.set(config, models);
  return models;
}

export async function findModel(db: Knex, id: string, version: number): Promise<Model | undefined> {
  const models = keptFor(db);
  const known = models.get(`${id}@${version}`);
  if (known) return known;
  const row = (await db('models').where({ id, version }).first('document')) as Pick<ModelRow, 'document'> | undefined;
  if (row) models.set(`${id}@${version}`, row.document);
  return row?.document;
}

/** The newest version of every model, by name. */
export async function newestModels(db: Knex): Promise<readonly Model[]> {
  const keys = (await db('models').select('id').max({ version: 'version' }).groupBy('id')) as Pick<
    ModelRow,
    'id' | 'version'
  >[];
  const models = await Promise.all(keys.map(({ id, version }) => findModel(db, id, version)));
  return models.filter((model) => model !== undefined).sort((a, b) => a.name.localeCompare(b.name));
}

/** Every version, for replaying the log. */
export async function allModels(db: Knex): Promise<readonly Model[]> {
  const rows = (await db('models').select('document')) as Pick<ModelRow, 'document'>[];
  return rows.map(({ document }) => document);
}

export async function insertModel(db: Knex, model: Model, publishedAt: Date): Promise<void> {
  const { id, version } = model;
  const name = `${model.maker} ${model.name}`;
  await db('models').insert({ id, version, name, document: JSON.stringify(model), published_at: publishedAt });
}

export async function newestVersion(db: Knex, id: string): Promise<number | undefined> {
  const row = (await db('models').where({ id }).max({ version: 'version' }).first()) as
    { version: number | null } | undefined;
  return row?.version ?? undefined;
}
