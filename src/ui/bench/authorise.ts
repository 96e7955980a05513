import { v4 as makeId } from 'uuid';
import type { Unit } from '@/core/bench/entities';
import type { Refusal } from '@/core/shared/outcome';
import { sayRefusal } from '@/ui/words/sentences';

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
  const event = {
    id: makeId(),
    type: 'hazard-cleared',
    subjectId: unit.id,
    expects: unit.version,
    at: new Date().toISOString(),
    payload: {},
  };
  const response = await fetch('/api/events/authorised', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ personId, pin, event }),
  }).catch(() => null);
  if (!response) return sayRefusal({ reason: 'server-away', facts: {} });
  if (response.ok) return null;
  const { refusal } = (await response.json()) as { refusal: Refusal };
  return sayRefusal(refusal);
}
