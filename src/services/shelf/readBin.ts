import type { Knex } from 'knex';
import { binsInUse, rackOf } from '@/core/shelf/racks';
import type { BoxFill } from '@/core/shelf/roomLeft';
import { listRacks, partsInBin } from '@/data/shelf/rackRepository';

/** A bin in use by its name, with how many parts lie in it. Null when there is none. */
export async function readBin(db: Knex, name: string): Promise<BoxFill | null> {
  const code = name.trim().toUpperCase();
  const racks = (await listRacks(db)).filter((rack) => rack.code === rackOf(code));
  const bin = binsInUse(racks).find((own) => own.code === code);
  return bin ? { ...bin, count: await partsInBin(db, code) } : null;
}
