import { existsSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';

/** A backup that was written by itself. */
export interface KeptBackup {
  readonly file: string;
  /** ISO in UTC. */
  readonly at: string;
  readonly bytes: number;
}

const namePattern = /^shop-(\d{4}-\d\d-\d\d)T(\d\d)-(\d\d)-(\d\d)\.zip$/;

/** A name that tells when, and sorts. */
const nameAt = (now: Date): string => `shop-${now.toISOString().slice(0, 19).replaceAll(':', '-')}.zip`;

export function placeForBackup(folder: string, now: Date): string {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  return join(folder, nameAt(now));
}

/** What lies in a folder of what was written by itself, newest first; other files are nobody's business. */
export function listBackups(folder: string): readonly KeptBackup[] {
  if (!existsSync(folder)) return [];
  return readdirSync(folder)
    .flatMap((name) => {
      const [, day, hours, minutes, seconds] = namePattern.exec(name) ?? [];
      if (day === undefined) return [];
      const file = join(folder, name);
      return [{ file, at: `${day}T${hours}:${minutes}:${seconds}Z`, bytes: statSync(file).size }];
    })
    .sort((one, other) => other.at.localeCompare(one.at));
}

/** Takes away what is older than the newest so many, and what was broken off. */
export function keepNewest(folder: string, keep: number): void {
  for (const { file } of listBackups(folder).slice(keep)) rmSync(file, { force: true });
  for (const name of readdirSync(folder))
    if (name.endsWith('.part') && namePattern.test(name.slice(0, -5))) rmSync(join(folder, name), { force: true });
}
