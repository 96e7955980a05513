import type { Knex } from 'knex';
import type { Person } from '@/core/people/roles';
import { digestOf, findSession, saveSeen } from '@/data/people/sessionRepository';
import { currentRules } from '@/data/rules/houseRulesRepository';

/** Of presses one a minute is noted. */
const notedMs = 60_000;

/**
 * Who holds a session, as they are today; nobody once it is over: by signing out, by its limits, by leaving, another PIN or role.
 *
 * @param isPress  true for what a person does; what a screen asks by itself keeps nobody signed in
 */
export async function readSignedIn(db: Knex, token: string, now: Date, isPress = true): Promise<Person | undefined> {
  const digest = digestOf(token);
  const session = await findSession(db, digest, now);
  if (!session) return undefined;
  if (isPress && now.getTime() - session.seenAt.getTime() >= notedMs) {
    const { sessions } = await currentRules(db);
    await saveSeen(db, digest, now, new Date(now.getTime() + sessions.idleMinutes * 60_000));
  }
  return session.person;
}
