export const backupFormat = 'plucky-parcel/shop-backup@1';

/** The manifest: docs/formats/backup.md says every field. */
export interface BackupManifest {
  readonly format: typeof backupFormat;
  readonly shop: string;
  /** The moment that everything in it is of, ISO in UTC. */
  readonly takenAt: string;
  readonly schema: { readonly step: string | null; readonly isHalf: boolean };
  readonly parts: readonly BackupPart[];
}

export interface Sum {
  readonly bytes: number;
  readonly sha256: string;
}

export interface TablePart extends Sum {
  readonly kind: 'table';
  readonly file: string;
  readonly table: string;
  readonly columns: readonly { readonly name: string; readonly isBinary: boolean }[];
  readonly rows: number;
}

/** Facts that had been moved out of the log. */
export interface ArchivePart extends Sum {
  readonly kind: 'archive';
  readonly file: string;
}

export type BackupPart = TablePart | ArchivePart;

/** A value as the database writes it: text, bytes for what is binary, or nothing. */
export type Cell = string | Buffer | null;

/** Why a file is no backup, or not a whole one, as a sentence. */
export class DamagedBackup extends Error {}

export const manifestFile = 'manifest.json';
