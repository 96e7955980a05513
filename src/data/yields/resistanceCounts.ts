import { grouped } from '@/core/shared/grouped';
import type { ResistanceCount } from '@/core/teardown/policy/learnedOdds';
import { readStepId } from '@/core/teardown/sheet/sheetStep';
import type { Tallies } from '@/data/tallies/readTallies';

/** Where the steps of run sheets came to an end, by model: on the usual way or on a rung, and whether it yielded there. */
export const resistanceCounts = ({
  resisted,
}: Tallies<'resisted'>): Readonly<Record<string, readonly ResistanceCount[]>> =>
  Object.fromEntries(
    [...grouped(resisted, ({ modelId }) => modelId)].map(([modelId, own]) => [
      modelId,
      own.flatMap(({ about, more, good, count }) => {
        const end = { operationId: readStepId(about).id, rung: Number(more) };
        return [
          { ...end, hasYielded: true, count: good },
          { ...end, hasYielded: false, count: count - good },
        ].filter((row) => row.count > 0);
      }),
    ]),
  );
