import type { Knex } from 'knex';
import { existsSync } from 'node:fs';
import { mkdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { shopDayStart } from '@/core/shared/shopDay';
import {
  claimArchive,
  dropArchive,
  moveOut,
  sealArchive,
  toldOf,
  type Moved,
  type ToldOfUnit,
} from '@/data/archive/archiveRepository';
import { positionSince, unitsOver } from '@/data/archive/unitsOver';
import { currentRules } from '@/data/rules/houseRulesRepository';
import type { ArchiveRow } from '@/data/rows';
import { inTransaction } from '@/data/transaction';
import { archiveFormat, readMember, writeArchive, type ArchivedFact, type Member } from '@/files/factArchive';

export interface Archived {
  readonly file: string;
  readonly units: number;
  readonly facts: number;
}

/** So many units leave the log in one transaction: benches wait no longer than that takes. */
const atOnce = 100;

/**
 * Moves what is told of units that left before a day to a file, while work goes on. The file is written and read again, unit by
 * unit, before anything leaves the log; whatever happens in between, each unit's facts are in the log or in a file that is noted.
 *
 * @param day     of the shop, ISO: nothing that happened on it or later is moved
 * @param folder  where archives lie
 * @returns what was moved; null when there was nothing to move
 * @throws what the disk says, and Error when what was written is not what is read
 */
export async function archiveFacts(db: Knex, day: string, folder: string, now: Date): Promise<Archived | null> {
  const { shop } = await currentRules(db);
  const before = new Date(shopDayStart(day, shop.timeZone));
  const upTo = await positionSince(db, before);
  const units = await unitsOver(db, upTo);
  if (units.length === 0) return null;
  await mkdir(folder, { recursive: true, mode: 0o700 });
  const { id, file } = await claimName(db, folder, day, { left_before: before, made_at: now });
  const path = join(folder, file);
  const made = await written(db, path, units, { shop: shop.name, before, now }).catch(async (error: unknown) => {
    await dropArchive(db, id);
    throw error;
  });
  await sealArchive(db, id, made.sha256);
  const moved = [...made.places].map(([unitId, { offset, length, facts }]): Moved => ({
    unit_id: unitId,
    at_byte: offset,
    bytes: length,
    facts,
  }));
  const sum = { units: 0, facts: 0 };
  for (let from = 0; from < moved.length; from += atOnce) {
    const done = await inTransaction(db, (trx) => moveOut(trx, id, moved.slice(from, from + atOnce), upTo));
    sum.units += done.units;
    sum.facts += done.facts;
  }
  if (sum.units > 0) return { file, ...sum };
  // Somebody else was quicker with all of them.
  await dropArchive(db, id);
  await rm(path, { force: true });
  return null;
}

/** Writes the file and reads all of it again. @throws Error when what is read is not what was written */
async function written(
  db: Knex,
  path: string,
  units: readonly string[],
  of: { readonly shop: string; readonly before: Date; readonly now: Date },
): ReturnType<typeof writeArchive> {
  const head = {
    format: archiveFormat,
    shop: of.shop,
    leftBefore: of.before.toISOString(),
    madeAt: of.now.toISOString(),
  } as const;
  const made = await writeArchive(path, head, members(db, units));
  for (const [unitId, place] of made.places) {
    const read = await readMember(path, place);
    if (typeof read === 'string')
      throw new Error(`archiveFacts: ${path} is ${read} at unit ${unitId}; nothing was moved`);
  }
  return made;
}

/** A name of its own: by its day, a second one of the same day by a number as well. */
async function claimName(
  db: Knex,
  folder: string,
  day: string,
  dates: Pick<ArchiveRow, 'left_before' | 'made_at'>,
): Promise<{ readonly id: number; readonly file: string }> {
  for (let at = 1; ; at += 1) {
    const file = `facts-before-${day}${at === 1 ? '' : `-${at}`}.jsonl.gz`;
    if (existsSync(join(folder, file))) continue;
    const id = await claimArchive(db, { file, ...dates });
    if (id !== undefined) return { id, file };
  }
}

async function* members(db: Knex, units: readonly string[]): AsyncGenerator<Member, undefined> {
  for await (const told of toldOf(db, units)) yield { unitId: told.unitId, facts: lines(told) };
  return undefined;
}

const lines = ({ facts, doers }: ToldOfUnit): readonly ArchivedFact[] =>
  facts.map(
    (row) =>
      ({
        position: row.position,
        id: row.id,
        type: row.type,
        subject: row.subject_id,
        expects: row.expects,
        at: row.client_at.toISOString(),
        receivedAt: row.server_at.toISOString(),
        personId: doers.get(row.id)?.id ?? row.person_id,
        person: doers.get(row.id)?.name ?? '',
        bench: row.bench,
        clockOffS: row.clock_off_s,
        rulesVersion: row.rules_version,
        parcel: row.parcel_id,
        unit: row.unit_id,
        part: row.part_id,
        model: row.model_id,
        partRef: row.part_ref,
        undoes: row.undoes,
        payload: row.payload,
        touched: row.touched,
      }) as ArchivedFact,
  );
