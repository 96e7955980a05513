import { verify } from '@node-rs/argon2';
import type { Knex } from 'knex';
import { afterWrongPin, isLocked, lockMinutes, pinTries } from '@/core/people/lockOut';
import type { Person } from '@/core/people/roles';
import { accept, refuse, type Outcome, type Refusal } from '@/core/shared/outcome';
import { listBenches } from '@/data/people/benchRepository';
import { findPersonForUpdate, savePinState } from '@/data/people/peopleRepository';
import { transaction } from '@/data/transaction';

/** Somebody whose PIN was right, and the state of the person that the sign-in holds for. */
export interface Entered extends Person {
  readonly epoch: number;
}

/**
 * Checks a PIN. Every try counts under a lock on the person's row, so that many at once cannot slip past the count.
 *
 * @refuses 'pin-wrong' with the tries left, 'pin-locked' with the minutes to wait
 */
export async function signIn(
  db: Knex,
  given: { readonly personId: string; readonly pin: string; readonly bench: string },
  now: Date,
): Promise<Outcome<Entered>> {
  const benches = await listBenches(db);
  const bench = benches.find(({ id }) => id === given.bench);
  if (!bench) return refuse('bad-input', { field: 'bench', says: 'choose one of the benches' });
  // The failed count must stay even though the answer is a refusal, so the refusal leaves the transaction as a value.
  const checked = await transaction<Entered | Refusal>(db, async (trx) => {
    const person = await findPersonForUpdate(trx, given.personId);
    if (!person || person.left_at !== null) return refuse('not-found', { id: given.personId });
    const state = { failedCount: person.failed_count, lockedUntil: person.locked_until };
    if (isLocked(state, now)) return accept(locked(state.lockedUntil as Date, now));
    if (await verify(person.pin_hash, given.pin)) {
      await savePinState(trx, person.id, { failedCount: 0, lockedUntil: null });
      return accept({ id: person.id, name: person.name, role: person.role, bench: bench.id, epoch: person.epoch });
    }
    const after = afterWrongPin(state, now);
    await savePinState(trx, person.id, after);
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
