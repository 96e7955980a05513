import type { Knex } from 'knex';
import type { BitLife, BitUse } from '@/core/screws/bitWear';
import type { RecordedFact } from '@/core/shop/facts';
import type { BitLifeRow } from '@/data/rows';

type Happened = Pick<RecordedFact, 'type' | 'payload' | 'bench' | 'position'>;

/**
 * Keeps the count of each bit in step with the log, in the fact's own transaction. A fact that is taken back is taken off
 * the bit that was in use when it happened; a renewal that is taken back gives its count to the bit before it.
 *
 * @param undone  the fact that this one takes back
 */
export async function countBits(trx: Knex, fact: Happened, undone: Happened | undefined): Promise<void> {
  if (undone) {
    if (isRenewal(undone)) await rejoin(trx, undone);
    else for (const use of usesOf(undone)) await add(trx, undone, use, -1);
  } else if (isRenewal(fact)) {
    const { drive } = fact.payload;
    await trx('bit_lives').insert({ bench: fact.bench, drive, from_position: fact.position, screws: 0, stripped: 0 });
  } else for (const use of usesOf(fact)) await add(trx, fact, use, 1);
}

const isRenewal = (fact: Happened): fact is Happened & RecordedFact<'bit-renewed'> => fact.type === 'bit-renewed';

const usesOf = ({ type, payload }: Happened): readonly BitUse[] =>
  (type === 'step-done' || type === 'screw-trouble') && 'bits' in payload ? (payload.bits ?? []) : [];

const before = (trx: Knex, { bench, position }: Happened, drive: string) =>
  trx('bit_lives')
    .where({ bench, drive })
    .andWhere('from_position', '<=', position)
    .orderBy('from_position', 'desc')
    .forUpdate()
    .first() as Promise<BitLifeRow | undefined>;

async function add(trx: Knex, happened: Happened, { drive, screws, stripped }: BitUse, sign: 1 | -1): Promise<void> {
  const life = await before(trx, happened, drive);
  const { bench } = happened;
  if (!life) {
    // The first that is known of this bit: it was in use since the log began.
    if (sign === 1) await trx('bit_lives').insert({ bench, drive, from_position: 0, screws, stripped });
    return;
  }
  const counted = { screws: life.screws + sign * screws, stripped: life.stripped + sign * stripped };
  const own = trx('bit_lives').where({ bench, drive, from_position: life.from_position });
  // All that was known of the first is taken back: it is as if it had never been used.
  if (life.from_position === 0 && counted.screws + counted.stripped === 0) await own.delete();
  else await own.update(counted);
}

async function rejoin(trx: Knex, renewal: Happened & RecordedFact<'bit-renewed'>): Promise<void> {
  const { bench, position } = renewal;
  const { drive } = renewal.payload;
  const life = (await trx('bit_lives').where({ bench, drive, from_position: position }).forUpdate().first()) as
    BitLifeRow | undefined;
  if (!life) return;
  await trx('bit_lives').where({ bench, drive, from_position: position }).delete();
  await add(trx, { ...renewal, position: position - 1 }, life, 1);
}

/** Every bit of the shop, the one in use and those before it. */
export async function bitLives(db: Knex): Promise<readonly BitLife[]> {
  const rows = (await db('bit_lives').orderBy(['bench', 'drive', 'from_position'])) as BitLifeRow[];
  return rows.map(({ bench, drive, screws, stripped }, at) => {
    const next = rows[at + 1];
    return { bench, drive, screws, stripped, isOver: next?.bench === bench && next.drive === drive };
  });
}
