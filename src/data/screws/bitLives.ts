import type { Knex } from 'knex';
import type { BitLife } from '@/core/screws/bitInUse';
import type { BitUse } from '@/core/screws/bitWear';
import type { Fact, RecordedFact } from '@/core/shop/facts';
import type { PositionedRow } from '@/data/facts/factRepository';
import type { BitLifeRow } from '@/data/rows';

type Happened = Pick<RecordedFact, 'type' | 'payload' | 'bench' | 'position'>;

/**
 * Counts what a fact did with the bits that are in use at its bench. Said before the fact is appended: whoever appends
 * holds up everyone.
 */
export async function countUses(trx: Knex, bench: string, fact: Pick<Fact, 'type' | 'payload'>): Promise<void> {
  for (const use of usesOf(fact)) await add(trx, { bench, position: Number.MAX_SAFE_INTEGER }, use, 1);
}

/**
 * Takes back what a fact did with bits: what it used, off the bit that was in use when it happened; a renewal gives its count
 * to the bit before it.
 */
export async function takeBackBits(trx: Knex, undone: Happened): Promise<void> {
  if (isRenewal(undone)) await rejoin(trx, undone);
  else for (const use of usesOf(undone)) await add(trx, undone, use, -1);
}

/** A new bit begins its count at the position of its fact. */
export const bitsBegun = (bench: string, fact: Pick<Fact, 'type' | 'payload'>): readonly PositionedRow[] =>
  fact.type === 'bit-renewed' && 'drive' in fact.payload
    ? [
        {
          table: 'bit_lives',
          positionIn: 'from_position',
          row: { bench, drive: fact.payload.drive, screws: 0, stripped: 0 },
        },
      ]
    : [];

const isRenewal = (fact: Happened): fact is Happened & RecordedFact<'bit-renewed'> => fact.type === 'bit-renewed';

const usesOf = ({ type, payload }: Pick<Fact, 'type' | 'payload'>): readonly BitUse[] =>
  (type === 'step-done' || type === 'screw-trouble') && 'bits' in payload ? (payload.bits ?? []) : [];

type Place = Pick<Happened, 'bench' | 'position'>;

const before = (trx: Knex, { bench, position }: Place, drive: string) =>
  trx('bit_lives')
    .where({ bench, drive })
    .andWhere('from_position', '<=', position)
    .orderBy('from_position', 'desc')
    .forUpdate()
    .first() as Promise<BitLifeRow | undefined>;

async function add(trx: Knex, happened: Place, { drive, screws, stripped }: BitUse, sign: 1 | -1): Promise<void> {
  const life = await before(trx, happened, drive);
  const { bench } = happened;
  if (!life) {
    if (sign === -1) return;
    // The first that is known of this bit: it was in use since the log began. Somebody else at the bench may say so now, too.
    await trx('bit_lives')
      .insert({ bench, drive, from_position: 0, screws, stripped })
      .onConflict(['bench', 'drive', 'from_position'])
      .merge({ screws: trx.raw('screws + ?', [screws]), stripped: trx.raw('stripped + ?', [stripped]) });
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
