import type { Knex } from 'knex';
import type { Span } from '@/core/statistics/productLimit';

/** How long steps took on other units, by the id of the step without its round. */
export type TimedSteps = Readonly<Record<string, readonly Span[]>>;

/** More of one step tells nothing new, and older ones tell of other hands. */
const latest = 40;

/** The latest times of every step of a model, those without a known end marked. */
export async function timedSteps(db: Knex, modelId: string): Promise<TimedSteps> {
  const [rows] = (await db.raw(
    `with timed as (
      select substring_index(json_value(e.payload, '$.stepId'), '~', 1) as step, e.position,
             json_value(e.payload, '$.seconds') as seconds,
             json_value(e.payload, '$.isCensored') as censored
      from facts e left join facts back on back.undoes = e.id
      where back.id is null and e.model_id = ? and e.type = 'step-done'
    ), ranked as (
      select *, row_number() over (partition by step order by position desc) as place from timed where seconds > 0
    )
    select step, seconds, censored from ranked where place <= ?`,
    [modelId, latest],
  )) as [{ step: string; seconds: string; censored: string | null }[], unknown];
  const found: Record<string, Span[]> = {};
  for (const { step, seconds, censored } of rows)
    (found[step] ??= []).push({ seconds: Number(seconds), isCensored: censored === 'true' || censored === '1' });
  return found;
}
