import type { Knex } from 'knex';
import { standingFacts } from './standingFacts';

/** To whom a shipment was sent, and when in ISO. */
export async function findSending(
  db: Knex,
  shipment: string,
): Promise<{ readonly recipient: string; readonly sentAt: string } | undefined> {
  const row = (await standingFacts(db)
    .whereIn('e.unit_id', db('units').select('id').where({ shipment }))
    .where('e.type', 'unit-sent')
    .whereRaw(`json_value(e.payload, '$.shipment') = ?`, [shipment])
    .orderBy('e.position', 'desc')
    .first({ recipient: db.raw(`json_value(e.payload, '$.recipient')`), at: 'e.server_at' })) as
    { recipient: string; at: Date } | undefined;
  return row && { recipient: row.recipient, sentAt: row.at.toISOString() };
}
