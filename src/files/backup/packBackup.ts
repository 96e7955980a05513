import { createHash } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { open, rename, rm } from 'node:fs/promises';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { ZipFile } from 'yazl';
import {
  backupFormat,
  manifestFile,
  type BackupManifest,
  type BackupPart,
  type Cell,
  type Sum,
  type TablePart,
} from './manifest';

export interface TableGiven {
  readonly table: string;
  readonly columns: TablePart['columns'];
  readonly rows: () => AsyncIterable<readonly Cell[]>;
}

/**
 * Writes a backup, complete or not at all: a zip archive of one file of lines for each table, the archives as they are, and
 * in the end the manifest.
 *
 * @throws what the disk or a reading of rows says; then there is no file
 */
export async function packBackup(
  path: string,
  head: Omit<BackupManifest, 'format' | 'parts'>,
  tables: readonly TableGiven[],
  archives: readonly { readonly name: string; readonly path: string }[],
): Promise<BackupManifest> {
  const partial = `${path}.part`;
  const zip = new ZipFile();
  const parts: BackupPart[] = [];
  let manifest: BackupManifest | undefined;
  const out = createWriteStream(partial, { mode: 0o600 });
  /** Puts a part in when its turn comes, and notes what it was when it is over. */
  const add = (file: string, begin: () => AsyncIterable<Buffer>, isPacked: boolean, end: (sum: Sum) => void) =>
    zip.addReadStreamLazy(file, { compress: isPacked, compressionLevel: 4, mode: 0o100600 }, (done) => {
      const part = Readable.from(summed(begin(), end));
      // The zip knows nothing of a part that breaks off.
      part.on('error', (error) => out.destroy(error));
      done(null, part);
    });
  for (const { table, columns, rows } of tables) {
    const file = `tables/${table}.jsonl`;
    let count = 0;
    const counted = linesOf(rows, (n) => (count += n));
    add(file, counted, true, (sum) => parts.push({ kind: 'table', file, table, columns, rows: count, ...sum }));
  }
  for (const { name, path: from } of archives) {
    const file = `archives/${name}`;
    add(
      file,
      () => createReadStream(from) as AsyncIterable<Buffer>,
      false,
      (sum) => parts.push({ kind: 'archive', file, ...sum }),
    );
  }
  zip.addReadStreamLazy(manifestFile, { mode: 0o100600 }, (done) => {
    manifest = { format: backupFormat, ...head, parts };
    done(null, Readable.from([Buffer.from(JSON.stringify(manifest, null, 1))]));
  });
  try {
    zip.end();
    await pipeline(zip.outputStream as Readable, out);
    const file = await open(partial, 'r+');
    await file.sync();
    await file.close();
    await rename(partial, path);
    return manifest as BackupManifest;
  } catch (error) {
    await rm(partial, { force: true });
    throw error;
  }
}

const asCell = (cell: Cell): string | null =>
  typeof cell === 'string' || cell === null ? cell : cell.toString('base64');

const pieceBytes = 256 * 1024;

/** Rows as lines of JSON, in pieces that are worth handing on. */
function linesOf(rows: TableGiven['rows'], told: (count: number) => void): () => AsyncIterable<Buffer> {
  return async function* () {
    let piece = '';
    let count = 0;
    for await (const row of rows()) {
      piece += `${JSON.stringify(row.map(asCell))}\n`;
      count += 1;
      if (piece.length < pieceBytes) continue;
      yield Buffer.from(piece);
      piece = '';
    }
    if (piece) yield Buffer.from(piece);
    told(count);
  };
}

/** Hands pieces on, and says in the end how long they were and what their checksum is. */
async function* summed(pieces: AsyncIterable<Buffer>, end: (sum: Sum) => void): AsyncGenerator<Buffer, undefined> {
  const hash = createHash('sha256');
  let bytes = 0;
  for await (const piece of pieces) {
    hash.update(piece);
    bytes += piece.length;
    yield piece;
  }
  end({ bytes, sha256: hash.digest('hex') });
  return undefined;
}
