import type { Knex } from 'knex';
import { createHash } from 'node:crypto';
import type { Person } from '@/core/people/roles';
import type { PersonRow, SessionRow } from '@/data/rows';

/** What is kept of what a browser holds. */
export const digestOf = (token: string): string => createHash('sha256').update(token).digest('hex');

/** An open sign-in, with its person as they are now. */
export interface OpenSession {
  readonly person: Person;
  readonly seenAt: Date;
}

/** By what a browser holds: nobody once the sign-in is over, or the person has left. */
export async function findSession(db: Knex, digest: string, now: Date): Promise<OpenSession | undefined> {
  const row = (await db('sessions as s')
    .join('people as p', 'p.id', 's.person_id')
    .where('s.digest', digest)
    .where('s.idle_until', '>', now)
    .where('s.ends_at', '>', now)
    .whereNull('p.left_at')
    .first('p.id', 'p.name', 'p.role', 's.bench', 's.seen_at')) as
    (Pick<PersonRow, 'id' | 'name' | 'role'> & Pick<SessionRow, 'bench' | 'seen_at'>) | undefined;
  if (!row) return undefined;
  const { id, name, role, bench, seen_at: seenAt } = row;
  return { person: { id, name, role, bench }, seenAt };
}

/** Opens one, and takes away those of anybody that are over. */
export async function insertSession(db: Knex, session: SessionRow): Promise<void> {
  await db('sessions').where('idle_until', '<=', session.began_at).orWhere('ends_at', '<=', session.began_at).delete();
  await db('sessions').insert(session);
}

export async function saveSeen(db: Knex, digest: string, seenAt: Date, idleUntil: Date): Promise<void> {
  await db('sessions').where({ digest }).update({ seen_at: seenAt, idle_until: idleUntil });
}

export const endSession = async (db: Knex, digest: string): Promise<number> =>
  db('sessions').where({ digest }).delete();

/** @returns false when it was over already */
export const endSessionById = async (db: Knex, id: string): Promise<boolean> =>
  (await db('sessions').where({ id }).delete()) > 0;

export async function endSessionsOf(trx: Knex, personId: string): Promise<void> {
  await trx('sessions').where({ person_id: personId }).delete();
}

/** Those that are open, the latest press first. */
export async function listSessions(db: Knex, now: Date): Promise<readonly SessionRow[]> {
  return (await db('sessions')
    .where('idle_until', '>', now)
    .where('ends_at', '>', now)
    .orderBy('seen_at', 'desc')) as SessionRow[];
}
