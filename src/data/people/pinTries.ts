import type { Knex } from 'knex';
import type { PinState } from '@/core/people/lockOut';
import type { PinTryRow } from '@/data/rows';

/**
 * Where a PIN is typed. A browser in which somebody signed in before is known by itself, so that nobody who guesses elsewhere
 * can shut it out; all others are known by their address.
 */
export const originOf = (address: string, knownDevice: string | null): string =>
  knownDevice === null ? `address ${address}`.slice(0, 80) : `device ${knownDevice.slice(0, 64)}`;

export async function findPinState(trx: Knex, personId: string, origin: string): Promise<PinState | undefined> {
  const row = (await trx('pin_tries').where({ person_id: personId, origin }).first()) as PinTryRow | undefined;
  return row && { failedCount: row.failed_count, lastAt: row.last_at, lockedUntil: row.locked_until };
}

export async function savePinState(
  trx: Knex,
  personId: string,
  origin: string,
  { failedCount, lastAt, lockedUntil }: PinState,
): Promise<void> {
  await trx('pin_tries')
    .insert({
      person_id: personId,
      origin,
      failed_count: failedCount,
      wrong_count: 1,
      last_at: lastAt,
      locked_until: lockedUntil,
    })
    .onConflict(['person_id', 'origin'])
    .merge({
      failed_count: failedCount,
      wrong_count: trx.raw('wrong_count + 1'),
      last_at: lastAt,
      locked_until: lockedUntil,
    });
}

/** Wrong PINs of a person since a moment, from all places that are known by their address only. */
export async function strangersWrong(trx: Knex, personId: string, since: Date): Promise<number> {
  const row = (await trx('pin_tries')
    .where({ person_id: personId })
    .where('origin', 'like', 'address %')
    .where('last_at', '>', since)
    .sum({ n: 'wrong_count' })
    .first()) as { n: number | null } | undefined;
  return Number(row?.n ?? 0);
}

/** The right PIN: what was counted from there is over; so is what was counted anywhere long ago. */
export async function forgetTries(trx: Knex, personId: string, origin: string, before: Date): Promise<void> {
  await trx('pin_tries').where({ person_id: personId, origin }).delete();
  await trx('pin_tries').where('last_at', '<', before).delete();
}

export async function forgetAllTries(trx: Knex, personId: string): Promise<void> {
  await trx('pin_tries').where({ person_id: personId }).delete();
}

export const isKnownDevice = async (trx: Knex, personId: string, digest: string): Promise<boolean> =>
  (await trx('known_devices').where({ person_id: personId, digest }).first('digest')) !== undefined;

export async function noteDevice(trx: Knex, personId: string, digest: string, at: Date): Promise<void> {
  await trx('known_devices')
    .insert({ person_id: personId, digest, last_at: at })
    .onConflict(['person_id', 'digest'])
    .merge({ last_at: at });
}
