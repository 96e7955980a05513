import { accept, refuse, type Outcome } from '@/core/shared/outcome';

/** What a shop keeps of one supply: the last count, and what came since. */
export interface SupplyRecord {
  readonly key: string;
  /** How many there were when somebody counted last; null before that. */
  readonly counted: number | null;
  /** ISO in UTC. */
  readonly countedAt: string | null;
  /** What all sheets had used up to that count. */
  readonly usedThen: number;
  /** Came since that count. */
  readonly received: number;
  readonly leadDays: number;
  readonly version: number;
}

export const newRecord = (key: string): SupplyRecord => ({
  key,
  counted: null,
  countedAt: null,
  usedThen: 0,
  received: 0,
  leadDays: 7,
  version: 0,
});

/** How many there should be now; null while nobody ever counted. Below zero more was used than there was: count again. */
export const onHand = ({ counted, received, usedThen }: SupplyRecord, usedSoFar: number): number | null =>
  counted === null ? null : counted + received - (usedSoFar - usedThen);

/** What a person says of a supply. */
export type SupplyWord =
  | { readonly says: 'counted'; readonly count: number; readonly because: string }
  | { readonly says: 'received'; readonly count: number }
  | { readonly says: 'lead'; readonly days: number };

/**
 * A record after somebody said something of it.
 *
 * @param expects    the version that they saw
 * @param usedSoFar  by all sheets up to now
 * @refuses 'supply-changed' when somebody else was quicker; 'count-first' when something came of which nobody knows how much there is
 */
export function afterWord(
  record: SupplyRecord,
  expects: number,
  word: SupplyWord,
  usedSoFar: number,
  now: string,
): Outcome<SupplyRecord> {
  if (record.version !== expects) return refuse('supply-changed');
  const next = { ...record, version: record.version + 1 };
  switch (word.says) {
    case 'counted':
      return accept({ ...next, counted: word.count, countedAt: now, usedThen: usedSoFar, received: 0 });
    case 'received':
      if (record.counted === null) return refuse('count-first');
      return accept({ ...next, received: record.received + word.count });
    case 'lead':
      return accept({ ...next, leadDays: word.days });
  }
}
