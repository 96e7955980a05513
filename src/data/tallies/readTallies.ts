import type { Knex } from 'knex';
import { tallyKey, tallyKinds, type Tally, type TallyKind } from '@/core/tallies/tally';
import type { ParcelRow, TallyRow } from '@/data/rows';
import { catchUp, type TalliedState } from './catchUp';
import { toTally } from './tallyRows';

export type Tallies<K extends TallyKind> = Readonly<Record<K, readonly Tally[]>>;

/** All tallies of one kind by their keys, and as they were last asked for. */
interface Kept {
  rows: Map<string, Tally>;
  list: readonly Tally[] | undefined;
}

/** What this process has read so far; only what changed since is read again. */
class Mirror {
  private generation = 0;
  private revision = -1;
  private readonly kinds = new Map<TallyKind, Kept>(
    tallyKinds.map((kind) => [kind, { rows: new Map<string, Tally>(), list: undefined }]),
  );
  private readonly words = new Map<string, string>();
  private reading: Promise<void> = Promise.resolve();

  /** Reads on to a state at least: one after the other, so that nothing is put over what is newer. */
  readTo(db: Knex, state: TalliedState): Promise<void> {
    const next = this.reading.catch(() => undefined).then(() => this.read(db, state));
    this.reading = next;
    return next;
  }

  private async read(db: Knex, { generation, revision }: TalliedState): Promise<void> {
    if (generation < this.generation || (generation === this.generation && revision <= this.revision)) return;
    if (generation > this.generation) {
      this.generation = generation;
      this.revision = -1;
      for (const kept of this.kinds.values()) Object.assign(kept, { rows: new Map(), list: undefined });
    }
    const rows = (await db('tallies').where({ generation }).andWhere('revision', '>', this.revision)) as TallyRow[];
    for (const row of rows) {
      const kept = this.of(row.kind);
      const tally = this.inFewWords(toTally(row));
      if (row.n === 0) kept.rows.delete(tallyKey(tally));
      else kept.rows.set(tallyKey(tally), tally);
      kept.list = undefined;
      this.revision = Math.max(this.revision, row.revision);
    }
    // What was read may be newer than what was asked for, and is never older.
    this.revision = Math.max(this.revision, revision);
  }

  of(kind: TallyKind): Kept {
    return this.kinds.get(kind) as Kept;
  }

  /** Many rows say the same parcels, models and parts: each is kept once. */
  private inFewWords(tally: Tally): Tally {
    const once = (word: string): string => {
      const known = this.words.get(word);
      if (known === undefined) this.words.set(word, word);
      return known ?? word;
    };
    const { modelId, parcelId, about, more } = tally;
    return { ...tally, modelId: once(modelId), parcelId: once(parcelId), about: once(about), more: once(more) };
  }
}

const mirrors = new WeakMap<object, Mirror>();

function mirrorFor(db: Knex): Mirror {
  const config = db.client.config as object;
  const mirror = mirrors.get(config) ?? new Mirror();
  mirrors.set(config, mirror);
  return mirror;
}

/**
 * What every fact that was acknowledged so far adds up to, by kind; what is counted by parcel stands by parcel, first ones
 * first. A list is the same one as before when nothing in it changed, so that what is worked out of it can be kept with it.
 *
 * @throws Error inside of a transaction: what may still be rolled back must not be kept
 */
export async function readTallies<K extends TallyKind>(db: Knex, kinds: readonly K[]): Promise<Tallies<K>> {
  if (db.isTransaction) throw new Error('readTallies: not inside of a transaction');
  const mirror = mirrorFor(db);
  await mirror.readTo(db, await catchUp(db));
  if (kinds.some((kind) => mirror.of(kind).list === undefined)) {
    const rank = await parcelRanks(db);
    for (const kind of kinds) {
      const kept = mirror.of(kind);
      kept.list ??= [...kept.rows.values()].sort((a, b) => (rank.get(a.parcelId) ?? -1) - (rank.get(b.parcelId) ?? -1));
    }
  }
  return Object.fromEntries(kinds.map((kind) => [kind, mirror.of(kind).list ?? []])) as unknown as Tallies<K>;
}

async function parcelRanks(db: Knex): Promise<ReadonlyMap<string, number>> {
  const parcels = (await db('parcels').select('id').orderBy(['received_on', 'code'])) as Pick<ParcelRow, 'id'>[];
  return new Map(parcels.map(({ id }, at) => [id, at]));
}
