import type { Knex } from 'knex';
import { nextCode } from '@/core/shelf/racks';
import { fullIn, rackFills, type RackFill, type ShelfPace } from '@/core/shelf/roomLeft';
import { binStock } from '@/data/shelf/binStock';
import { listRacks } from '@/data/shelf/rackRepository';
import { shelfPace } from '@/core/shelf/shelfPace';
import { readTallies } from '@/data/tallies/readTallies';

export interface RacksView {
  readonly racks: readonly RackFill[];
  /** Parts that still fit. */
  readonly left: number;
  readonly pace: ShelfPace;
  /** Days until it is full at that pace; null when it is not getting fuller. */
  readonly fullInDays: number | null;
  /** Letters of the next rack. */
  readonly next: string;
}

const watchedDays = 28;

/** The racks with what lies in their boxes, and how long the room will last. */
export async function readRacks(db: Knex, now: Date): Promise<RacksView> {
  const [racks, tallies] = await Promise.all([listRacks(db), readTallies(db, ['bin', 'shelved', 'unshelved', 'used'])]);
  const pace = shelfPace(tallies, now, watchedDays);
  const fills = rackFills(racks, binStock(tallies));
  const left = fills.reduce((sum, own) => sum + own.left, 0);
  return { racks: fills, left, pace, fullInDays: fullIn(left, pace), next: nextCode(racks) };
}
