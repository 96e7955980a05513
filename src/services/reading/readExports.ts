import type { Knex } from 'knex';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { shopDay } from '@/core/shared/shopDay';
import { listArchives } from '@/data/archive/archiveRepository';
import { listReadKeys, type ReadKey } from '@/data/reading/readKeyRepository';
import { currentRules } from '@/data/rules/houseRulesRepository';
import { archiveFolder } from '@/files/factArchive';

/** A file with facts that are not in the log any more. */
export interface ArchiveFile {
  readonly id: number;
  readonly file: string;
  readonly units: number;
  readonly facts: number;
  /** The shop's day, ISO. */
  readonly leftBefore: string;
  readonly isHere: boolean;
}

export interface ExportsView {
  readonly keys: readonly ReadKey[];
  readonly archives: readonly ArchiveFile[];
}

/** Who reads along by which key, and what was moved out of the log. */
export async function readExports(db: Knex): Promise<ExportsView> {
  const [keys, archives, { shop }] = await Promise.all([listReadKeys(db), listArchives(db), currentRules(db)]);
  return {
    keys,
    archives: archives.map(({ id, file, units, facts, left_before }) => ({
      id,
      file,
      units,
      facts,
      leftBefore: shopDay(left_before.getTime(), shop.timeZone),
      isHere: existsSync(join(archiveFolder(), file)),
    })),
  };
}

/** Where an archive lies; undefined when there is none such, or its file is away. */
export async function findArchive(
  db: Knex,
  id: number,
): Promise<{ readonly file: string; readonly path: string } | undefined> {
  const archive = (await listArchives(db)).find((own) => own.id === id);
  const path = archive && join(archiveFolder(), archive.file);
  return archive && path && existsSync(path) ? { file: archive.file, path } : undefined;
}
