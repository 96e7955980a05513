import type { Knex } from 'knex';

const holdMs = 2 * 60_000;

/**
 * Takes a unit in hand, or keeps it there; what somebody else has in hand stays theirs until their time is over. One
 * statement, so that of two who reach for the same unit one gets it.
 *
 * @returns true when it is in this person's hand now
 */
export async function takeHold(db: Knex, unitId: string, personId: string, now: Date): Promise<boolean> {
  const until = new Date(now.getTime() + holdMs);
  await db.raw(
    `insert into unit_holds (unit_id, person_id, until) values (?, ?, ?)
     on duplicate key update
       person_id = if(until < ? or person_id = values(person_id), values(person_id), person_id),
       until = if(person_id = values(person_id), values(until), until)`,
    [unitId, personId, until, now],
  );
  const row = (await db('unit_holds').where({ unit_id: unitId }).first('person_id')) as
    { person_id: string } | undefined;
  return row?.person_id === personId;
}

/** Nobody has these units in hand any more: they left triage, or come to it anew. */
export async function endHolds(trx: Knex, unitIds: readonly string[]): Promise<void> {
  if (unitIds.length > 0)
    await trx('unit_holds')
      .whereIn('unit_id', [...unitIds])
      .delete();
}

/** Units that others have in hand now, with their names. */
export async function holdsOfOthers(db: Knex, personId: string, now: Date): Promise<Readonly<Record<string, string>>> {
  const rows = (await db('unit_holds as h')
    .join('people as p', 'p.id', 'h.person_id')
    .where('h.until', '>', now)
    .whereNot('h.person_id', personId)
    .select({ unitId: 'h.unit_id', name: 'p.name' })) as { unitId: string; name: string }[];
  return Object.fromEntries(rows.map(({ unitId, name }) => [unitId, name]));
}
