import { currentRules } from '@/data/rules/houseRulesRepository';
import type { Message } from '@/core/shared/message';
import type { Knex } from 'knex';
import { harvestYields, type HarvestYield } from '@/core/yields/harvestYield';
import { pareto, type ParetoBar } from '@/core/yields/pareto';
import { sayChange } from '@/core/yields/sayYields';
import { partKinds } from '@/data/models/partKinds';
import { defectCounts, type DefectCount } from '@/data/yields/defectCounts';
import { finishedPerDay, type DayCount } from '@/data/yields/finishedPerDay';
import { readTallies } from '@/data/tallies/readTallies';
import { shopDay } from '@/core/shared/shopDay';
import { mendedCounts } from '@/data/tallies/catchUp';
import { learntNow, type ShopLearnt } from '@/data/triage/learntNow';
import { remembered } from '@/core/shared/remembered';

export interface NamedYield extends HarvestYield {
  readonly name: string;
}

export interface YieldsView {
  readonly yields: readonly NamedYield[];
  readonly defects: readonly ParetoBar<DefectCount & { readonly partName: string }>[];
  readonly days: readonly DayCount[];
  readonly headline: Message<'yields'>;
  /** Counts that were found to be wrong of late and were put right, with the shop's day. */
  readonly mended: { readonly count: number; readonly day: string } | null;
}

const chartDays = 30;
const yieldsOf = remembered(({ counts, learnt }: ShopLearnt) => harvestYields(counts.outcomes, learnt.parts.alike));

/** Where parts are lost, to what, and how many units were finished: all counted from the log. */
export async function readYields(db: Knex, now: Date): Promise<YieldsView> {
  const since = new Date(now.getTime() - chartDays * 24 * 3600 * 1000);
  const { shop } = await currentRules(db);
  const [known, tallies, days, kinds, mended] = await Promise.all([
    learntNow(db, now),
    readTallies(db, ['defect']),
    finishedPerDay(db, since, shop.timeZone),
    partKinds(db, now),
    mendedCounts(db),
  ]);
  const nameOf = (modelId: string, partRef: string) => {
    const kind = kinds[`${modelId}/${partRef}`];
    return kind ? `${kind.modelName} ${kind.name}` : partRef;
  };
  const yields = yieldsOf(known).map((entry) => ({
    ...entry,
    name: nameOf(entry.modelId, entry.partRef),
  }));
  const causes = pareto(
    defectCounts(tallies).map((defect) => ({
      item: { ...defect, partName: defect.partRef.replaceAll('-', ' ') },
      count: defect.count,
    })),
  );
  const isLately = mended !== null && mended.at >= since;
  return {
    yields,
    defects: causes,
    days,
    headline: sayChange(yields),
    mended: isLately ? { count: mended.count, day: shopDay(mended.at.getTime(), shop.timeZone) } : null,
  };
}
