import type { Knex } from 'knex';
import { standingEvents } from './standingEvents';

/** To whom and on which day a shipment was sent. */
export async function findSending(
  db: Knex,
  shipment: string,
): Promise<{ readonly recipient: string; readonly sentOn: string } | undefined> {
  const row = (await standingEvents(db)
    .where('e.type', 'unit-sent')
    .whereRaw(`json_value(e.payload, '$.shipment') = ?`, [shipment])
    .orderBy('e.position', 'desc')
    .first({ recipient: db.raw(`json_value(e.payload, '$.recipient')`), at: 'e.server_at' })) as
    { recipient: string; at: Date } | undefined;
  return row && { recipient: row.recipient, sentOn: row.at.toISOString().slice(0, 10) };
}
