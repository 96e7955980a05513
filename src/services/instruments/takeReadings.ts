import type { Knex } from 'knex';
import { landingOf } from '@/core/instruments/landing';
import type { ReadingMessage } from '@/core/instruments/message';
import { refuse, type Refusal } from '@/core/shared/outcome';
import { benchWaitOf } from '@/data/instruments/benchWaits';
import { forgetReadings, insertReadings } from '@/data/instruments/instrumentReadings';

/** What an instrument is told of one message. */
export interface ReadingAnswer {
  readonly id: string;
  readonly ok: boolean;
  readonly refusal?: Refusal;
}

/** Now and then, so that nothing heaps up. */
const forgetsAt = 0.002;

/** Messages of an instrument, each with where it landed or why it did not; refused ones are shown at the bench too. */
export async function takeReadings(
  db: Knex,
  bench: string,
  messages: readonly ReadingMessage[],
  now: Date,
): Promise<readonly ReadingAnswer[]> {
  const wait = await benchWaitOf(db, bench, now);
  const heard = messages.map((message) => ({ message, became: landingOf(message, wait, now.getTime()) }));
  const once = [...new Map(heard.map((own) => [own.message.id, own])).values()];
  const doubled = new Set(await insertReadings(db, bench, once, now));
  if (Math.random() < forgetsAt) await forgetReadings(db, now);
  const told = new Set<string>();
  return heard.map(({ message: { id, instrument }, became }): ReadingAnswer => {
    const isAgain = doubled.has(id) || told.has(id);
    told.add(id);
    const outcome = isAgain ? refuse('reading-doubled', { instrument }) : became;
    return outcome.ok ? { id, ok: true } : { id, ok: false, refusal: outcome.refusal };
  });
}
