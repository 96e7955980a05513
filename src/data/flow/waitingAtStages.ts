import type { Knex } from 'knex';
import type { LineStage, PartPlace, UnitStage } from '@/core/entities/stages';
import { countOpenLines } from '@/data/parcels/parcelRepository';

/** How many things lie at each stage now. */
export async function waitingAtStages(db: Knex): Promise<Readonly<Record<LineStage, number>>> {
  const [units, parts, lines] = await Promise.all([
    db('units').select('stage').count({ n: '*' }).groupBy('stage') as Promise<{ stage: UnitStage; n: number }[]>,
    db('parts').select('place').count({ n: '*' }).groupBy('place') as Promise<{ place: PartPlace; n: number }[]>,
    countOpenLines(db),
  ]);
  const at = (stage: UnitStage) => units.find((row) => row.stage === stage)?.n ?? 0;
  const lying = (place: PartPlace) => parts.find((row) => row.place === place)?.n ?? 0;
  return {
    dock: lines,
    triage: at('triage'),
    teardown: at('teardown'),
    grade: lying('grade'),
    shelf: lying('shelf') + lying('to-shelve'),
    match: at('match'),
    rebuild: at('rebuild'),
    prove: at('prove'),
    send: at('send'),
  };
}
