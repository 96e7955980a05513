import { createHash } from 'node:crypto';
import { crc32 } from 'node:zlib';
import { openPromise, type Entry, type ZipFile } from 'yauzl';
import {
  backupFormat,
  DamagedBackup,
  manifestFile,
  type BackupManifest,
  type BackupPart,
  type Cell,
  type TablePart,
} from './manifest';

export interface OpenBackup {
  readonly manifest: BackupManifest;
  /** The bytes of a part. @throws DamagedBackup when they are not what the manifest says */
  readonly bytes: (part: BackupPart) => AsyncIterable<Buffer>;
  /** The rows of a table’s part. @throws DamagedBackup */
  readonly rows: (part: TablePart) => AsyncIterable<readonly Cell[]>;
  readonly close: () => void;
}

const mostManifestBytes = 4_000_000;
/** A row holds no more than one statement may carry. */
const mostLineBytes = 64 * 1024 ** 2;

/**
 * Opens a backup and reads its manifest.
 *
 * @throws DamagedBackup when it is none, was cut, or its manifest is not whole
 */
export async function openBackup(path: string): Promise<OpenBackup> {
  const zip = await openPromise(path, { autoClose: false, lazyEntries: true }).catch((error: unknown) => {
    if ((error as NodeJS.ErrnoException).code !== undefined) throw error;
    throw new DamagedBackup(`It is no backup of Plucky Parcel, or was cut off (${(error as Error).message}).`);
  });
  try {
    const entries = await entriesOf(zip);
    const manifest = await readManifest(zip, entries);
    const bytes = (part: BackupPart) => wholePart(zip, entries, part);
    return { manifest, bytes, rows: (part) => rowsOf(part, bytes(part)), close: () => zip.close() };
  } catch (error) {
    zip.close();
    throw error;
  }
}

/** More than any shop has tables and archives. */
const mostEntries = 10_000;

async function entriesOf(zip: ZipFile): Promise<ReadonlyMap<string, Entry>> {
  const entries = new Map<string, Entry>();
  try {
    for await (const entry of zip.eachEntry()) {
      if (entries.size >= mostEntries) break;
      entries.set(entry.fileName, entry);
    }
  } catch (error) {
    throw new DamagedBackup(`Its list of parts is damaged (${(error as Error).message}).`);
  }
  return entries;
}

async function readManifest(zip: ZipFile, entries: ReadonlyMap<string, Entry>): Promise<BackupManifest> {
  const entry = entries.get(manifestFile);
  if (!entry) throw new DamagedBackup('It is no backup of Plucky Parcel: it has no manifest.');
  if (entry.uncompressedSize > mostManifestBytes) throw new DamagedBackup('Its manifest is too long.');
  const pieces: Buffer[] = [];
  for await (const piece of piecesOf(zip, entry)) pieces.push(piece);
  const bytes = Buffer.concat(pieces);
  if (crc32(bytes) !== entry.crc32) throw new DamagedBackup('Its manifest is damaged.');
  let told: unknown;
  try {
    told = JSON.parse(bytes.toString('utf8'));
  } catch {
    throw new DamagedBackup('Its manifest cannot be read.');
  }
  if (!isManifest(told)) throw new DamagedBackup(`Its manifest is not of the form ${backupFormat}.`);
  const listed = new Set([manifestFile, ...told.parts.map(({ file }) => file)]);
  if (listed.size !== told.parts.length + 1) throw new DamagedBackup('Its manifest names a part twice.');
  for (const file of listed) if (!entries.has(file)) throw new DamagedBackup(`The part ${file} is missing.`);
  for (const file of entries.keys())
    if (!listed.has(file)) throw new DamagedBackup(`The part ${file} is not in its manifest.`);
  return told;
}

const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const isCount = (value: unknown): boolean => Number.isSafeInteger(value) && Number(value) >= 0;
const isName = (value: unknown): value is string => typeof value === 'string' && /^[a-z][a-z0-9_]{0,63}$/.test(value);
const archiveName = /^archives\/[a-z0-9][a-z0-9.-]{0,120}$/;

function isManifest(told: unknown): told is BackupManifest {
  if (!isObject(told) || told.format !== backupFormat || typeof told.shop !== 'string') return false;
  if (typeof told.takenAt !== 'string' || Number.isNaN(Date.parse(told.takenAt))) return false;
  const { schema, parts } = told;
  if (!isObject(schema) || typeof schema.isHalf !== 'boolean') return false;
  if (schema.step !== null && !isName(`s${String(schema.step)}`)) return false;
  return Array.isArray(parts) && parts.every(isPart);
}

function isPart(part: unknown): part is BackupPart {
  if (!isObject(part) || typeof part.file !== 'string' || !isCount(part.bytes)) return false;
  if (typeof part.sha256 !== 'string' || !/^[0-9a-f]{64}$/.test(part.sha256)) return false;
  if (part.kind === 'archive') return archiveName.test(part.file);
  return (
    part.kind === 'table' &&
    isName(part.table) &&
    part.file === `tables/${part.table}.jsonl` &&
    isCount(part.rows) &&
    Array.isArray(part.columns) &&
    part.columns.length > 0 &&
    part.columns.every((column) => isObject(column) && isName(column.name) && typeof column.isBinary === 'boolean')
  );
}

async function* piecesOf(zip: ZipFile, entry: Entry): AsyncGenerator<Buffer, undefined> {
  try {
    for await (const piece of await zip.openReadStreamPromise(entry)) yield piece as Buffer;
  } catch (error) {
    throw new DamagedBackup(`The part ${entry.fileName} is damaged (${(error as Error).message}).`);
  }
  return undefined;
}

async function* wholePart(
  zip: ZipFile,
  entries: ReadonlyMap<string, Entry>,
  { file, bytes, sha256 }: BackupPart,
): AsyncGenerator<Buffer, undefined> {
  const hash = createHash('sha256');
  let length = 0;
  for await (const piece of piecesOf(zip, entries.get(file) as Entry)) {
    hash.update(piece);
    length += piece.length;
    if (length > bytes) break;
    yield piece;
  }
  if (length !== bytes || hash.digest('hex') !== sha256)
    throw new DamagedBackup(`The part ${file} is not what was written.`);
  return undefined;
}

async function* rowsOf(part: TablePart, bytes: AsyncIterable<Buffer>): AsyncGenerator<readonly Cell[], undefined> {
  let count = 0;
  for await (const line of linesOf(bytes, part.file)) {
    count += 1;
    yield toRow(line, part, count);
  }
  if (count !== part.rows) throw new DamagedBackup(`The part ${part.file} has ${count} of ${part.rows} rows.`);
  return undefined;
}

async function* linesOf(bytes: AsyncIterable<Buffer>, file: string): AsyncGenerator<string, undefined> {
  let begun: Buffer[] = [];
  let length = 0;
  for await (const piece of bytes) {
    let from = 0;
    for (let end = piece.indexOf(10); end !== -1; end = piece.indexOf(10, from)) {
      yield Buffer.concat([...begun, piece.subarray(from, end)]).toString('utf8');
      [begun, length, from] = [[], 0, end + 1];
    }
    begun.push(piece.subarray(from));
    length += piece.length - from;
    if (length > mostLineBytes) throw new DamagedBackup(`The part ${file} has a line that is too long.`);
  }
  if (length > 0) throw new DamagedBackup(`The part ${file} ends in the middle of a line.`);
  return undefined;
}

function toRow(line: string, { file, columns }: TablePart, at: number): readonly Cell[] {
  let row: unknown;
  try {
    row = JSON.parse(line);
  } catch {
    throw new DamagedBackup(`Line ${at} of ${file} cannot be read.`);
  }
  const isRow =
    Array.isArray(row) &&
    row.length === columns.length &&
    row.every((cell) => cell === null || typeof cell === 'string');
  if (!isRow) throw new DamagedBackup(`Line ${at} of ${file} is not a row of its table.`);
  return (row as (string | null)[]).map((cell, column) =>
    cell !== null && columns[column]?.isBinary ? Buffer.from(cell, 'base64') : cell,
  );
}
