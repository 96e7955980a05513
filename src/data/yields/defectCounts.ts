import type { Knex } from 'knex';
import type { DefectCode } from '@/core/entities/stages';
import { standingFacts } from '@/data/facts/standingFacts';

export interface DefectCount {
  readonly code: DefectCode;
  readonly partRef: string;
  readonly count: number;
}

/** How often each defect was reported at the bench, by the part it hit. */
export async function defectCounts(db: Knex): Promise<readonly DefectCount[]> {
  return (await standingFacts(db)
    .where('e.type', 'part-trouble')
    .whereRaw(`json_value(e.payload, '$.defectCode') is not null`)
    .select({
      code: db.raw(`json_value(e.payload, '$.defectCode')`),
      partRef: db.raw(`json_value(e.payload, '$.partRef')`),
    })
    .count({ count: '*' })
    .groupBy('code', 'partRef')) as DefectCount[];
}
