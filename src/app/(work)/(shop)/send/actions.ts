'use server';
import { guardAction } from '@/app/access';
import { refuse, type Outcome } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { isDatabaseAway } from '@/data/errors';
import { openShipment } from '@/services/send/openShipment';

/** A tag for a new shipment. */
export async function openShipmentAction(): Promise<Outcome<string>> {
  const person = await guardAction('send-units');
  if (!person.ok) return person;
  return openShipment(database()).catch((error: unknown) => {
    if (isDatabaseAway(error)) return refuse('database-away');
    throw error;
  });
}
