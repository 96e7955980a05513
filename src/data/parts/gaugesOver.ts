import type { Knex } from 'knex';
import type { CellRecord } from '@/core/battery/cellRecord';

/** Of each model so many of the newest cells say how its gauge reads. */
const mostCells = 60;

/**
 * How far the own gauges of some models read over the analyser, in points of a hundred, one for each cell that had both.
 *
 * @returns by model
 */
export async function gaugesOver(
  db: Knex,
  modelIds: readonly string[],
): Promise<Readonly<Record<string, readonly number[]>>> {
  const each = await Promise.all(
    modelIds.map(async (modelId) => {
      const cells = (await db('parts')
        .where({ gauged_model: modelId })
        .orderBy('tag_no', 'desc')
        .limit(mostCells)
        .pluck('cell')) as (CellRecord | string)[];
      const read = cells.map((cell) => (typeof cell === 'string' ? (JSON.parse(cell) as CellRecord) : cell));
      return [modelId, read.map(({ gaugeShare = 0, analyserShare = 0 }) => gaugeShare - analyserShare)] as const;
    }),
  );
  return Object.fromEntries(each);
}
