import type { Knex } from 'knex';
import type { Recall } from '@/core/rehearsal/recall';
import type { RehearsalRow } from '@/data/rows';

/** What a person remembers of a model. */
export async function recallsOf(db: Knex, personId: string, modelId: string, lock = false): Promise<readonly Recall[]> {
  const query = db('rehearsals').where({ person_id: personId, model_id: modelId }).orderBy('item');
  const rows = (await (lock ? query.forUpdate() : query)) as RehearsalRow[];
  return rows.map(({ item, box, due_on: dueOn, right_count: right, wrong_count: wrong }) => ({
    item,
    box,
    dueOn,
    right,
    wrong,
  }));
}

export async function saveRecalls(
  db: Knex,
  personId: string,
  modelId: string,
  recalls: readonly Recall[],
): Promise<void> {
  if (recalls.length === 0) return;
  await db('rehearsals')
    .insert(
      recalls.map(({ item, box, dueOn, right, wrong }) => ({
        person_id: personId,
        model_id: modelId,
        item,
        box,
        due_on: dueOn,
        right_count: right,
        wrong_count: wrong,
      })),
    )
    .onConflict(['person_id', 'model_id', 'item'])
    .merge();
}
