import { verify } from '@node-rs/argon2';
import type { Knex } from 'knex';
import {
  afterWrongPin,
  heldUntil,
  lockMinutes,
  pinTries,
  strangersMinutes,
  strangersTries,
} from '@/core/people/lockOut';
import type { Person } from '@/core/people/roles';
import { accept, refuse, type Outcome, type Refusal } from '@/core/shared/outcome';
import { listBenches } from '@/data/people/benchRepository';
import { findPersonForUpdate, saveSignedIn } from '@/data/people/peopleRepository';
import {
  findPinState,
  forgetTries,
  isKnownDevice,
  noteDevice,
  originOf,
  savePinState,
  strangersWrong,
} from '@/data/people/pinTries';
import { digestOf } from '@/data/people/sessionRepository';
import { transaction } from '@/data/transaction';

/** Where a PIN is typed: the address, and what this browser holds since somebody signed in there, if anything. */
export interface TypedAt {
  readonly address: string;
  readonly device: string | null;
}

const forgottenDays = 30;

/**
 * Checks a PIN. Wrong ones count by person and place, under a lock on the person's row, so that many at once cannot slip past the
 * count: they slow the place down, then shut it out for a while. A browser in which this person signed in before is a place of
 * its own; of all other places together only so many wrong ones an hour are looked at.
 *
 * @refuses 'pin-wrong' with the tries left, 'pin-slow' with the seconds to wait, 'pin-locked' with the minutes
 */
export async function signIn(
  db: Knex,
  given: { readonly personId: string; readonly pin: string; readonly bench: string },
  at: TypedAt,
  now: Date,
): Promise<Outcome<Person>> {
  const benches = await listBenches(db);
  const bench = benches.find(({ id }) => id === given.bench);
  if (!bench) return refuse('bad-input', { field: 'bench', says: 'choose one of the benches' });
  const device = at.device === null ? null : digestOf(at.device);
  // The failed count must stay even though the answer is a refusal, so the refusal leaves the transaction as a value.
  const checked = await transaction<Person | Refusal>(db, async (trx) => {
    const person = await findPersonForUpdate(trx, given.personId);
    if (!person || person.left_at !== null) return refuse('not-found', { id: given.personId });
    const isKnown = device !== null && (await isKnownDevice(trx, person.id, device));
    const origin = originOf(at.address, isKnown ? device : null);
    const state = await findPinState(trx, person.id, origin);
    const held = state && heldUntil(state, now);
    if (held) return accept(held.isLock ? locked(held.until, now) : slow(held.until, now));
    const hourAgo = new Date(now.getTime() - strangersMinutes * 60_000);
    if (!isKnown && (await strangersWrong(trx, person.id, hourAgo)) >= strangersTries)
      return accept({ reason: 'pin-locked', values: { minutes: strangersMinutes } });
    if (await verify(person.pin_hash, given.pin)) {
      await saveSignedIn(trx, person.id, now);
      await forgetTries(trx, person.id, origin, new Date(now.getTime() - forgottenDays * 86_400_000));
      if (device !== null) await noteDevice(trx, person.id, device, now);
      return accept({ id: person.id, name: person.name, role: person.role, bench: bench.id });
    }
    const after = afterWrongPin(state ?? { failedCount: 0 }, now);
    await savePinState(trx, person.id, origin, after);
    return accept(
      after.lockedUntil
        ? locked(after.lockedUntil, now)
        : { reason: 'pin-wrong', values: { left: pinTries - after.failedCount } },
    );
  });
  if (!checked.ok) return checked;
  return 'reason' in checked.value ? { ok: false, refusal: checked.value } : accept(checked.value);
}

const locked = (until: Date, now: Date): Refusal => ({
  reason: 'pin-locked',
  values: { minutes: Math.min(lockMinutes, Math.ceil((until.getTime() - now.getTime()) / 60_000)) },
});

const slow = (until: Date, now: Date): Refusal => ({
  reason: 'pin-slow',
  values: { seconds: Math.ceil((until.getTime() - now.getTime()) / 1000) },
});
