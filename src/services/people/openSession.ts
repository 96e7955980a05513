import type { Knex } from 'knex';
import { randomBytes, randomUUID } from 'node:crypto';
import type { Person } from '@/core/people/roles';
import { digestOf, insertSession } from '@/data/people/sessionRepository';
import { currentRules } from '@/data/rules/houseRulesRepository';

const longestAddress = 60;

/**
 * Opens a session for somebody whose PIN was right.
 *
 * @param address  where from, as the list of open ones shows it
 * @returns what the browser is to hold, nothing of which is kept here, and when it is over at the latest
 */
export async function openSession(
  db: Knex,
  { id, bench }: Pick<Person, 'id' | 'bench'>,
  address: string,
  now: Date,
): Promise<{ readonly token: string; readonly endsAt: Date }> {
  const { sessions } = await currentRules(db);
  const token = randomBytes(32).toString('base64url');
  const endsAt = new Date(now.getTime() + sessions.longestHours * 3_600_000);
  await insertSession(db, {
    digest: digestOf(token),
    id: randomUUID(),
    person_id: id,
    bench,
    address: address.slice(0, longestAddress),
    began_at: now,
    seen_at: now,
    idle_until: new Date(now.getTime() + sessions.idleMinutes * 60_000),
    ends_at: endsAt,
  });
  return { token, endsAt };
}
