import type { Knex } from 'knex';
import { benchWaitOf } from '@/data/instruments/benchWaits';
import { listInstrumentKeys, type InstrumentKey } from '@/data/instruments/instrumentKeys';
import { lastReadings, type HeardReading } from '@/data/instruments/instrumentReadings';
import type { BenchWait } from '@/core/instruments/landing';

export interface InstrumentsView {
  readonly keys: readonly InstrumentKey[];
  readonly heard: readonly HeardReading[];
  readonly wait: BenchWait | null;
}

const shown = 30;

/** The instruments that may speak to a bench, what they said last, and what is waited for there. */
export async function readInstruments(db: Knex, bench: string, now: Date): Promise<InstrumentsView> {
  const [keys, heard, wait] = await Promise.all([
    listInstrumentKeys(db, bench),
    lastReadings(db, bench, shown),
    benchWaitOf(db, bench, now),
  ]);
  return { keys, heard, wait };
}
