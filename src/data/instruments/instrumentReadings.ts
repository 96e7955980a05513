import type { Knex } from 'knex';
import type { Landing } from '@/core/instruments/landing';
import type { ReadingMessage } from '@/core/instruments/message';
import type { Outcome } from '@/core/shared/outcome';
import { isDuplicate } from '@/data/errors';
import type { InstrumentReadingRow } from '@/data/rows';

/** What an instrument said, and what became of it. */
export interface HeardReading {
  readonly no: number;
  readonly message: ReadingMessage;
  readonly became: Outcome<Landing>;
}

const toHeard = ({ no, message, became }: InstrumentReadingRow): HeardReading => ({ no, message, became });

/** Kept for a day: what counts is in the facts. */
const keptMs = 24 * 3600 * 1000;
const forgottenAtOnce = 2000;

/** Readings that came together, in their order. @returns the ids that were there already */
export async function insertReadings(
  db: Knex,
  bench: string,
  heard: readonly Omit<HeardReading, 'no'>[],
  now: Date,
): Promise<readonly string[]> {
  const row = ({ message, became }: Omit<HeardReading, 'no'>) => ({
    id: message.id,
    bench,
    message: JSON.stringify(message),
    became: JSON.stringify(became),
    received_at: now,
  });
  try {
    await db('instrument_readings').insert(heard.map(row));
    return [];
  } catch (error) {
    if (!isDuplicate(error)) throw error;
  }
  // One of them was there: each by itself.
  const doubled: string[] = [];
  for (const own of heard)
    try {
      await db('instrument_readings').insert(row(own));
    } catch (error) {
      if (!isDuplicate(error)) throw error;
      doubled.push(own.message.id);
    }
  return doubled;
}

/** What came to a bench after a number, in its order. */
export async function readingsAfter(
  db: Knex,
  bench: string,
  after: number,
  limit: number,
): Promise<readonly HeardReading[]> {
  const rows = (await db('instrument_readings')
    .where({ bench })
    .where('no', '>', after)
    .orderBy('no')
    .limit(limit)) as InstrumentReadingRow[];
  return rows.map(toHeard);
}

/** The last that came to a bench, the newest first. */
export async function lastReadings(db: Knex, bench: string, limit: number): Promise<readonly HeardReading[]> {
  const rows = (await db('instrument_readings')
    .where({ bench })
    .orderBy('no', 'desc')
    .limit(limit)) as InstrumentReadingRow[];
  return rows.map(toHeard);
}

/** Old ones are forgotten, some at a time. */
export async function forgetReadings(db: Knex, now: Date): Promise<void> {
  await db('instrument_readings')
    .where('received_at', '<', new Date(now.getTime() - keptMs))
    .limit(forgottenAtOnce)
    .delete();
}
