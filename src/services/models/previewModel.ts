import type { Knex } from 'knex';
import { compareVersions, type Difference } from '@/core/library/compareVersions';
import type { Model } from '@/core/procedure/model';
import type { ModelProblem } from '@/core/procedure/checks/problem';
import { findModel, newestVersion } from '@/data/models/modelRepository';
import { accept, type Outcome } from '@/core/shared/outcome';
import { isPublishable } from '@/files/readModelDocument';
import { readAside } from '@/workers/documents/readAside';

export interface ModelPreview {
  readonly model: Model | null;
  readonly problems: readonly ModelProblem[];
  /** Faults beyond those that are told. */
  readonly more: number;
  readonly isPublishable: boolean;
  /** The newest version there is of it, and what this one would change. */
  readonly newest: number | null;
  readonly differences: readonly Difference[];
}

/**
 * What a document would be if it were taken: drawn, checked, and held against the version there is. Nothing is written.
 *
 * @refuses as `readAside`
 */
export async function previewModel(db: Knex, text: string): Promise<Outcome<ModelPreview>> {
  const told = await readAside('model', text);
  if (!told.ok) return told;
  const read = told.value;
  const newest = read.model ? ((await newestVersion(db, read.model.id)) ?? null) : null;
  const before = read.model && newest !== null ? await findModel(db, read.model.id, newest) : undefined;
  return accept({
    model: read.model,
    problems: read.problems,
    more: read.more,
    isPublishable: isPublishable(read),
    newest,
    differences: before && read.model ? compareVersions(before, read.model) : [],
  });
}
