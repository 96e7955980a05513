import type { Knex } from 'knex';
import type { Model } from '@/core/procedure/model';
import { modelCards } from '@/data/models/modelRepository';
import { shippedModelFiles } from '@/files/shippedModelFiles';

export type OfferedModel = Pick<Model, 'id' | 'version' | 'maker' | 'name'>;

/** Shipped models that the library does not have, or only in an earlier version. */
export async function readOffered(db: Knex): Promise<readonly OfferedModel[]> {
  const known = new Map((await modelCards(db)).map(({ id, version }) => [id, version]));
  return shipped().filter(({ id, version }) => version > (known.get(id) ?? 0));
}

let names: readonly OfferedModel[] | undefined;

/** Read once: the files change only with the application. */
function shipped(): readonly OfferedModel[] {
  names ??= shippedModelFiles().map((text) => {
    const { id, version, maker, name } = JSON.parse(text) as OfferedModel;
    return { id, version, maker, name };
  });
  return names;
}
