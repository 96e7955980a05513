import { verify } from '@node-rs/argon2';
import type { Knex } from 'knex';
import { createHmac, randomUUID } from 'node:crypto';
import { isGuessable } from '@/core/people/roster';
import { leadsNeverIn } from '@/data/people/peopleRepository';
import { addPerson } from '@/services/people/addPerson';

/** The first PIN of somebody follows from the secret of the home, so that it can be said again without being kept. */
function firstPinOf(secret: string, personId: string): string {
  for (let round = 0; ; round += 1) {
    const digest = createHmac('sha256', secret).update(`first pin ${personId} ${round}`).digest();
    const pin = String(digest.readUInt32BE(0) % 1_000_000).padStart(6, '0');
    if (!isGuessable(pin)) return pin;
  }
}

/**
 * Makes an empty shop usable: a first lead. Everything else is done on the screens.
 *
 * @returns the lead's PIN until it was used for the first time, then null
 */
export async function readyFirstLead(db: Knex, secret: string): Promise<string | null> {
  const [row] = (await db('people').count({ n: '*' })) as { n: number }[];
  if (!row?.n) {
    const id = randomUUID();
    const pin = firstPinOf(secret, id);
    const added = await addPerson(db, { id, name: 'First lead', role: 'lead', pin });
    if (!added.ok) throw new Error(`readyFirstLead: ${added.refusal.reason}`);
    return pin;
  }
  for (const { id, pin_hash: hash } of await leadsNeverIn(db)) {
    const pin = firstPinOf(secret, id);
    // Another PIN may have been given to them since.
    if (await verify(hash, pin).catch(() => false)) return pin;
  }
  return null;
}
