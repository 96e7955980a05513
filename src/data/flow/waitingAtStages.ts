import type { Knex } from 'knex';
import type { LineStage, PartPlace, UnitStage } from '@/core/entities/stages';
import { expectedLines } from '@/data/parcels/parcelRepository';
import type { Tallies } from '@/data/tallies/readTallies';

/** How many things lie at each stage now. */
export async function waitingAtStages(
  db: Knex,
  { stage, place, lined }: Tallies<'stage' | 'place' | 'lined'>,
): Promise<Readonly<Record<LineStage, number>>> {
  const at = (of: UnitStage) => stage.find(({ about }) => about === of)?.count ?? 0;
  const lying = (of: PartPlace) => place.find(({ about }) => about === of)?.count ?? 0;
  return {
    dock: (await expectedLines(db)) - lined.reduce((sum, { count }) => sum + count, 0),
    triage: at('triage'),
    teardown: at('teardown'),
    grade: lying('grade'),
    shelf: lying('shelf') + lying('reserved') + lying('to-shelve'),
    match: at('match'),
    rebuild: at('rebuild'),
    prove: at('prove'),
    send: at('send'),
  };
}
