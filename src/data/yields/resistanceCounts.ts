import { readStepId } from '@/core/teardown/sheet/sheetStep';
import type { Knex } from 'knex';
import type { ResistanceCount } from '@/core/teardown/policy/learnedOdds';

/**
 * Where the steps of run sheets came to an end, by model: on the usual way or on a rung, and whether it yielded there. A
 * step that was left for good (the sheet was planned without it, or closed) did not, nor did one that was handed over: that
 * other hands opened it says nothing of the way it was tried before.
 */
export async function resistanceCounts(db: Knex): Promise<Readonly<Record<string, readonly ResistanceCount[]>>> {
  const [rows] = (await db.raw(
    `with standing as (
      select e.* from facts e left join facts back on back.undoes = e.id
      where back.id is null and e.type in ('step-done', 'step-resisted')
    ), steps as (
      select model_id, unit_id, json_value(payload, '$.stepId') as step_id,
             coalesce(max(json_value(payload, '$.rung')), 0) as rung, max(type = 'step-done') and not max(coalesce(json_value(payload, '$.isHandedOver'), 0)) as is_done
      from standing group by model_id, unit_id, step_id
    )
    select model_id, step_id, rung, is_done, count(*) as n from steps
    where step_id like 'out:%' group by model_id, step_id, rung, is_done`,
  )) as [{ model_id: string; step_id: string; rung: number; is_done: number; n: number }[], unknown];
  const byModel: Record<string, ResistanceCount[]> = {};
  for (const { model_id: modelId, step_id: stepId, rung, is_done: isDone, n } of rows) {
    (byModel[modelId] ??= []).push({
      operationId: readStepId(stepId).id,
      rung: Number(rung),
      hasYielded: Number(isDone) === 1,
      count: Number(n),
    });
  }
  return byModel;
}
