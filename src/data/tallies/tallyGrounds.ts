import type { Knex } from 'knex';
import { grouped } from '@/core/shared/grouped';
import { talliedTypes, type TalliedFact, type TallyGround } from '@/core/tallies/talliesOf';
import { standingFacts } from '@/data/facts/standingFacts';
import type { ArchivedUnitRow, FactRow, PartRow, UnitRow } from '@/data/rows';

/**
 * All that is counted of some units, by unit, and of bought parts, by their own id as parts name it; what is there no more has no
 * entry.
 */
export async function tallyGrounds(db: Knex, unitIds: readonly string[]): Promise<ReadonlyMap<string, TallyGround>> {
  const [units, parts, inLog, archived] = await Promise.all([
    db('units')
      .whereIn('id', [...unitIds])
      .select('id', 'parcel_id', 'line_no', 'model_id', 'stage', 'disposition', 'tests', 'marks') as Promise<
      Pick<UnitRow, 'id' | 'parcel_id' | 'line_no' | 'model_id' | 'stage' | 'disposition' | 'tests' | 'marks'>[]
    >,
    db('parts')
      .whereIn('unit_id', [...unitIds])
      .select(
        'id',
        'unit_id',
        'part_ref',
        'model_id',
        'category',
        'interchange',
        'grade',
        'place',
        'bin',
        'carries',
      ) as Promise<
      Pick<
        PartRow,
        'id' | 'unit_id' | 'part_ref' | 'model_id' | 'category' | 'interchange' | 'grade' | 'place' | 'bin' | 'carries'
      >[]
    >,
    standingFacts(db)
      .whereIn('e.unit_id', [...unitIds])
      .whereIn('e.type', [...talliedTypes])
      .orderBy('e.position')
      .select('e.unit_id', 'e.type', 'e.payload', 'e.client_at', 'e.model_id', 'e.subject_id') as Promise<FactRow[]>,
    db('archived_units')
      .whereIn('unit_id', [...unitIds])
      .select('unit_id', 'counted') as Promise<Pick<ArchivedUnitRow, 'unit_id' | 'counted'>[]>,
  ]);
  const partsOf = grouped(parts, ({ unit_id }) => unit_id);
  const inLogOf = grouped(inLog, ({ unit_id }) => unit_id);
  const archivedOf = new Map(archived.map(({ unit_id, counted }) => [unit_id, counted]));
  // What was moved to a file came before what is in the log still, but for facts that wait for another unit: of those only how
  // many there are counts.
  const factsOf = (unitId: string): readonly TalliedFact[] => [
    ...(archivedOf.get(unitId) ?? []),
    ...(inLogOf.get(unitId) ?? []).map(toTalliedFact),
  ];
  const unitOf = new Map(units.map((unit) => [unit.id, unit]));
  const owners = unitIds.filter((id) => unitOf.has(id) || partsOf.has(id));
  const classes = await classesOf(db, owners.flatMap(factsOf));
  return new Map(
    owners.map((id) => {
      const unit = unitOf.get(id);
      return [
        id,
        {
          unit: unit ? { ...unit, parcelId: unit.parcel_id, lineNo: unit.line_no, modelId: unit.model_id } : null,
          parts: (partsOf.get(id) ?? []).map(({ part_ref, model_id, ...part }) => ({
            ...part,
            partRef: part_ref,
            modelId: model_id,
          })),
          facts: factsOf(id),
          classOf: (partId: string) => classes.get(partId),
        },
      ];
    }),
  );
}

export const toTalliedFact = ({ type, payload, client_at, model_id, subject_id }: FactRow): TalliedFact =>
  ({
    type,
    payload,
    subjectId: subject_id,
    at: client_at.toISOString(),
    modelId: model_id ?? '',
  }) as TalliedFact;

/** Classes of the parts that facts set aside. */
async function classesOf(db: Knex, facts: readonly TalliedFact[]): Promise<ReadonlyMap<string, string>> {
  const ids = facts.flatMap((fact) => (fact.type === 'part-assigned' ? [fact.payload.partId] : []));
  if (ids.length === 0) return new Map();
  const rows = (await db('parts').whereIn('id', ids).select('id', 'interchange')) as Pick<
    PartRow,
    'id' | 'interchange'
  >[];
  return new Map(rows.map(({ id, interchange }) => [id, interchange]));
}
