import type { Knex } from 'knex';
import { countResult, type CountResult, type Seen } from '@/core/shelf/countBin';
import type { Part } from '@/core/entities/entities';
import { stocked } from '@/core/entities/stages';
import { partsForCount } from '@/data/parts/shelfRows';

export interface CountView extends CountResult {
  /** The parts that it speaks of, so that facts can be said about them. */
  readonly parts: readonly Part[];
}

/** What a count of some bins says, held against what is booked now. Nothing is changed. */
export async function countBins(db: Knex, bins: readonly string[], seen: readonly Seen[]): Promise<CountView> {
  const parts = await partsForCount(db, bins, [...new Set(seen.map(({ tag }) => tag))]);
  const result = countResult(bins, parts, seen);
  // What was set aside for a unit lies there until it is fetched; only what is in stock can be missed.
  const isStock = (tag: string) => stocked.includes(parts.find((part) => part.tag === tag)?.place ?? 'gone');
  return { ...result, missing: result.missing.filter(({ tag }) => isStock(tag)), parts };
}
