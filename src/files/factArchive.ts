import { createHash } from 'node:crypto';
import { open, rename, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { gunzip, gzip } from 'node:zlib';
import type { FactType, RecordedFact } from '@/core/shop/facts';

const pack = promisify(gzip);
const unpack = promisify(gunzip);

export const archiveFormat = 'plucky-parcel/fact-archive@1';

/** The first line of an archive. */
export interface ArchiveHead {
  readonly format: typeof archiveFormat;
  readonly shop: string;
  /** Facts of units that left before this instant, ISO in UTC. */
  readonly leftBefore: string;
  readonly madeAt: string;
}

/** A fact as a line of an archive: docs/formats/archive.md says every field. */
export type ArchivedFact = {
  [T in FactType]: Pick<RecordedFact<T>, 'id' | 'position' | 'type' | 'at' | 'receivedAt' | 'payload' | 'bench'> & {
    readonly clockOffS: number | null;
    readonly subject: string;
    readonly expects: number | null;
    readonly rulesVersion: number | null;
    readonly personId: string;
    /** Who did it, by name. */
    readonly person: string;
    readonly parcel: string | null;
    readonly unit: string | null;
    readonly part: string | null;
    readonly model: string | null;
    readonly partRef: string | null;
    readonly undoes: string | null;
    readonly touched: readonly { readonly kind: string; readonly id: string }[];
  };
}[FactType];

/** Where in its file the facts of one unit stand, in bytes. */
export interface MemberPlace {
  readonly offset: number;
  readonly length: number;
  readonly facts: number;
}

export interface Member {
  readonly unitId: string;
  readonly facts: readonly ArchivedFact[];
}

/** Where archives lie: beside the database, unless the environment says where else. */
export const archiveFolder = (): string => process.env.PLUCKY_ARCHIVES ?? join('.plucky', 'main', 'archives');

const asLines = (rows: readonly object[]): Buffer =>
  Buffer.from(rows.map((row) => `${JSON.stringify(row)}\n`).join(''));

/**
 * Writes an archive, complete or not at all. Each unit is a gzip stream of its own and the file is all of them one after the
 * other, which is a gzip file again: it opens whole with any tool, and here unit by unit.
 *
 * @returns where each unit stands
 * @throws what the disk says; then there is no file
 */
export async function writeArchive(
  path: string,
  head: ArchiveHead,
  members: AsyncIterable<Member>,
): Promise<{ readonly places: ReadonlyMap<string, MemberPlace>; readonly sha256: string }> {
  const partial = `${path}.part`;
  const file = await open(partial, 'w', 0o600);
  try {
    const sum = createHash('sha256');
    const places = new Map<string, MemberPlace>();
    let offset = 0;
    const add = async (rows: readonly object[]) => {
      const bytes = await pack(asLines(rows));
      await file.writeFile(bytes);
      sum.update(bytes);
      const place = { offset, length: bytes.length, facts: rows.length };
      offset += bytes.length;
      return place;
    };
    await add([head]);
    for await (const { unitId, facts } of members) places.set(unitId, await add(facts));
    await file.sync();
    await file.close();
    await rename(partial, path);
    return { places, sha256: sum.digest('hex') };
  } catch (error) {
    await file.close().catch(() => undefined);
    await rm(partial, { force: true });
    throw error;
  }
}

/** The facts of one unit; why not, when the file is not there or not as it was written. */
export async function readMember(
  path: string,
  { offset, length, facts }: MemberPlace,
): Promise<readonly ArchivedFact[] | 'away' | 'damaged'> {
  const file = await open(path, 'r').catch(() => undefined);
  if (!file) return 'away';
  try {
    const bytes = Buffer.alloc(length);
    const { bytesRead } = await file.read(bytes, 0, length, offset);
    if (bytesRead < length) return 'damaged';
    const lines = (await unpack(bytes)).toString('utf8').split('\n').filter(Boolean);
    return lines.length === facts ? lines.map((line) => JSON.parse(line) as ArchivedFact) : 'damaged';
  } catch {
    return 'damaged';
  } finally {
    await file.close();
  }
}
