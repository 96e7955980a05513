import type { Knex } from 'knex';
import type { Fact } from '@/core/shop/facts';
import type { ListedFact } from '@/data/facts/latestFacts';
import type { BenchRow, ParcelRow, PartRow, UnitRow } from '@/data/rows';

/** A fact as it is read from an archive. */
interface Read {
  readonly id: string;
  readonly position: number;
  readonly type: Fact['type'];
  readonly payload: Fact['payload'];
  readonly at: string;
  /** Absent in an archive from before it was noted. */
  readonly clockOffS?: number | null;
  readonly person: string;
  readonly bench: string;
  readonly parcel: string | null;
  readonly unit: string | null;
  readonly part: string | null;
  readonly model: string | null;
}

/** Facts of an archive as a list shows them, with the names that things have today. @param undone  ids of those taken back */
export async function listArchived(
  db: Knex,
  facts: readonly Read[],
  undone: ReadonlySet<string>,
): Promise<readonly ListedFact[]> {
  const idsOf = (key: 'unit' | 'part' | 'parcel' | 'bench') => [...new Set(facts.flatMap((fact) => fact[key] ?? []))];
  const [units, parts, parcels, benches] = await Promise.all([
    db('units').whereIn('id', idsOf('unit')).select('id', 'tag', 'model_version') as Promise<
      Pick<UnitRow, 'id' | 'tag' | 'model_version'>[]
    >,
    db('parts').whereIn('id', idsOf('part')).select('id', 'tag') as Promise<Pick<PartRow, 'id' | 'tag'>[]>,
    db('parcels').whereIn('id', idsOf('parcel')).select('id', 'code') as Promise<Pick<ParcelRow, 'id' | 'code'>[]>,
    db('benches').whereIn('id', idsOf('bench')).select('id', 'name') as Promise<Pick<BenchRow, 'id' | 'name'>[]>,
  ]);
  const byId = <T extends { readonly id: string }>(rows: readonly T[]) => new Map(rows.map((row) => [row.id, row]));
  const [unitOf, partOf, parcelOf, benchOf] = [byId(units), byId(parts), byId(parcels), byId(benches)];
  return facts.map(({ id, position, type, payload, at, clockOffS, person, bench, parcel, unit, part, model }) => {
    const ofParcel = parcelOf.get(parcel ?? '');
    return {
      id,
      position,
      type,
      payload,
      at,
      clockOffS: clockOffS ?? null,
      person,
      signedIn: null,
      bench: benchOf.get(bench)?.name ?? bench,
      tag: partOf.get(part ?? '')?.tag ?? unitOf.get(unit ?? '')?.tag ?? null,
      parcel: ofParcel ? { id: ofParcel.id, code: ofParcel.code } : null,
      isUndone: undone.has(id),
      modelId: model,
      modelVersion: unitOf.get(unit ?? '')?.model_version ?? null,
    } as ListedFact;
  });
}
