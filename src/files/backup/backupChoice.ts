import { existsSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** Where the backups of a served shop go by themselves, and how many of them stay. */
export interface BackupChoice {
  readonly folder: string;
  readonly keep: number;
}

const usualKeep = 7;
/** Where they go unless somebody chose; the folder is made with the first one. */
export const usualFolder = (root: string): string => join(root, 'backups');

const fileOf = (root: string): string => join(root, 'backups.json');

/** The file that says it is not one of ours any more. */
export class UnreadableChoice extends Error {
  constructor(readonly file: string) {
    super(`${file} cannot be read.`);
  }
}

/** @param root  the home of the shop @throws UnreadableChoice */
export function readChoice(root: string): BackupChoice {
  const file = fileOf(root);
  if (!existsSync(file)) return { folder: usualFolder(root), keep: usualKeep };
  try {
    const { folder, keep } = JSON.parse(readFileSync(file, 'utf8')) as Partial<BackupChoice>;
    if (typeof folder === 'string' && Number.isInteger(keep) && Number(keep) >= 1)
      return { folder, keep: Number(keep) };
  } catch {
    // Said below.
  }
  throw new UnreadableChoice(file);
}

export function writeChoice(root: string, choice: BackupChoice): void {
  const file = fileOf(root);
  writeFileSync(`${file}.part`, JSON.stringify(choice), { mode: 0o600 });
  renameSync(`${file}.part`, file);
}
