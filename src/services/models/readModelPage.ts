import type { Knex } from 'knex';
import { compareVersions, type Difference } from '@/core/library/compareVersions';
import { checkModel } from '@/core/procedure/checkModel';
import type { ModelProblem } from '@/core/procedure/checks/problem';
import type { Model } from '@/core/procedure/model';
import { findModel, modelVersions } from '@/data/models/modelRepository';

export interface VersionEntry {
  readonly version: number;
  readonly note: string;
  readonly publishedBy: string;
  readonly publishedAt: string;
  /** What changed since the version before, in words; none for the first. */
  readonly differences: readonly Difference[];
}

export interface ModelPageView {
  readonly model: Model;
  readonly problems: readonly ModelProblem[];
  /** Newest first. */
  readonly versions: readonly VersionEntry[];
}

/** One model with its checks and the history of its versions; the newest version unless one is named. */
export async function readModelPage(db: Knex, id: string, version?: number): Promise<ModelPageView | undefined> {
  const lines = await modelVersions(db, id);
  const wanted = version ?? lines[0]?.version;
  const model = wanted === undefined ? undefined : await findModel(db, id, wanted);
  if (!model) return undefined;
  const documents = await Promise.all(lines.map((line) => findModel(db, id, line.version)));
  return {
    model,
    problems: checkModel(model),
    versions: lines.map((line, at) => {
      const [now, before] = [documents[at], documents[at + 1]];
      return {
        version: line.version,
        note: line.note,
        publishedBy: line.published_by,
        publishedAt: line.published_at.toISOString(),
        differences: now && before ? compareVersions(before, now) : [],
      };
    }),
  };
}
