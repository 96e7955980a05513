import { sayLater } from '@/ui/base/Refused';
import { v4 as makeId } from 'uuid';
import { shopNow } from '@/ui/server/shopClock';
import type { Unit } from '@/core/entities/entities';
import { send } from '@/ui/server/send';

/**
 * Says by the word of somebody else, with that person's PIN, that a unit is safe. It needs the server: a PIN is never
 * kept here for later.
 *
 * @returns what went wrong, in a sentence; null when it was taken
 */
export async function authorise({
  personId,
  pin,
  unit,
}: {
  readonly personId: string;
  readonly pin: string;
  readonly unit: Pick<Unit, 'id' | 'version'>;
}): Promise<string | null> {
  const fact = {
    id: makeId(),
    type: 'hazard-cleared',
    subjectId: unit.id,
    expects: unit.version,
    at: new Date(shopNow()).toISOString(),
    payload: {},
  };
  const outcome = await send('POST', '/api/facts/authorised', { personId, pin, fact });
  return outcome.ok ? null : sayLater(outcome.refusal);
}
