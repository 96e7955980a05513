import type { Knex } from 'knex';
import { compareVersions, type Difference } from '@/core/library/compareVersions';
import type { Model } from '@/core/procedure/model';
import type { ModelProblem } from '@/core/procedure/checks/problem';
import { findModel, newestVersion } from '@/data/models/modelRepository';
import { isPublishable, readModelDocument } from '@/files/readModelDocument';

export interface ModelPreview {
  readonly model: Model | null;
  readonly problems: readonly ModelProblem[];
  readonly isPublishable: boolean;
  /** The newest version there is of it, and what this one would change. */
  readonly newest: number | null;
  readonly differences: readonly Difference[];
}

/** What a document would be if it were taken: drawn, checked, and held against the version there is. Nothing is written. */
export async function previewModel(db: Knex, text: string): Promise<ModelPreview> {
  const read = readModelDocument(text);
  const newest = read.model ? ((await newestVersion(db, read.model.id)) ?? null) : null;
  const before = read.model && newest !== null ? await findModel(db, read.model.id, newest) : undefined;
  return {
    model: read.model,
    problems: read.problems,
    isPublishable: isPublishable(read),
    newest,
    differences: before && read.model ? compareVersions(before, read.model) : [],
  };
}
