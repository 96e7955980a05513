import type { Knex } from 'knex';
import type { OpeningHead, OpeningLog } from '@/core/opening/openingLog';
import { findOpening, logsOf } from '@/data/openings/openingRepository';

export interface OpeningView extends OpeningHead {
  readonly id: string;
  readonly logs: readonly OpeningLog[];
  readonly draftId: string | null;
}

/** One first opening with its logs. */
export async function readOpening(db: Knex, id: string): Promise<OpeningView | undefined> {
  const [opening, logs] = await Promise.all([findOpening(db, id), logsOf(db, id)]);
  if (!opening) return undefined;
  const { maker, name, kind, proofOfOff, draftId } = opening;
  return { id, maker, name, kind, proofOfOff, draftId, logs };
}
