import { hash } from '@node-rs/argon2';
import type { Knex } from 'knex';
import { randomInt, randomUUID } from 'node:crypto';
import type { Role } from '@/core/people/roles';
import { insertPerson } from '@/data/people/peopleRepository';

/** Adds a person with a PIN, a random one unless given, hashed with Argon2id (19 MiB, two passes: OWASP's least). */
export async function addPerson(
  db: Knex,
  person: { readonly name: string; readonly role: Role; readonly pin?: string },
): Promise<{ readonly id: string; readonly pin: string }> {
  const pin = person.pin ?? String(randomInt(0, 1_000_000)).padStart(6, '0');
  const id = randomUUID();
  const pinHash = await hash(pin, { memoryCost: 19_456, timeCost: 2, parallelism: 1 });
  await insertPerson(db, { id, name: person.name, role: person.role, pin_hash: pinHash });
  return { id, pin };
}
