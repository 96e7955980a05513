import type { Knex } from 'knex';
import type { Model } from '@/core/procedure/model';
import { upgradeModel } from '@/core/procedure/upgradeModel';
import { cardOf, type ModelCard } from '@/core/library/modelCard';
import { memory } from '@/data/kept';
import type { ModelCardRow, ModelRow } from '@/data/rows';

/** Published versions never change, so what was read once is kept. */
const published = memory<Model>();

export async function findModel(db: Knex, id: string, version: number): Promise<Model | undefined> {
  const models = published(db);
  const known = models.get(`${id}@${version}`);
  if (known) return known;
  const row = (await db('models').where({ id, version }).first('document')) as Pick<ModelRow, 'document'> | undefined;
  if (!row) return undefined;
  const model = upgradeModel(row.document);
  models.set(`${id}@${version}`, model);
  return model;
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

/** Interchange classes that some part of a model has, in any of its versions; none of a model that nobody knows. */
export async function classesOfModel(db: Knex, id: string): Promise<readonly string[]> {
  const rows = (await db('models').where({ id }).select('version')) as Pick<ModelRow, 'version'>[];
  const models = await Promise.all(rows.map(({ version }) => findModel(db, id, version)));
  return [...new Set(models.flatMap((model) => model?.parts.map(({ interchange }) => interchange) ?? []))];
}

/** Every version, for replaying the log. */
export async function allModels(db: Knex): Promise<readonly Model[]> {
  const rows = (await db('models').select('document')) as Pick<ModelRow, 'document'>[];
  return rows.map(({ document }) => upgradeModel(document));
}

export interface Publication {
  readonly at: Date;
  /** What is new in this version, in the words of who published it. */
  readonly note: string;
  readonly by: string;
}

/** Adds a version, and makes it the one that the library shows. */
export async function insertModel(trx: Knex, model: Model, { at, note, by }: Publication): Promise<void> {
  const { id, version, kind } = model;
  const name = `${model.maker} ${model.name}`;
  await trx('models').insert({
    id,
    version,
    name,
    document: JSON.stringify(model),
    published_at: at,
    note,
    published_by: by,
  });
  const card = { id, version, name, kind, card: JSON.stringify(cardOf(model)) };
  await trx('model_cards').insert(card).onConflict('id').merge();
}

/** The library without its documents. */
export async function modelCards(db: Knex): Promise<readonly ModelCard[]> {
  const rows = (await db('model_cards').select('card').orderBy('name')) as Pick<ModelCardRow, 'card'>[];
  return rows.map(({ card }) => card);
}

export type VersionLine = Pick<ModelRow, 'version' | 'note' | 'published_by' | 'published_at'>;

/** Published versions, newest first, without their documents. */
export async function modelVersions(db: Knex, id: string): Promise<readonly VersionLine[]> {
  return (await db('models')
    .where({ id })
    .orderBy('version', 'desc')
    .select('version', 'note', 'published_by', 'published_at')) as VersionLine[];
}

export async function newestVersion(db: Knex, id: string): Promise<number | undefined> {
  const row = (await db('models').where({ id }).max({ version: 'version' }).first()) as
    { version: number | null } | undefined;
  return row?.version ?? undefined;
}
