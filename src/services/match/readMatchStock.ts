import type { Knex } from 'knex';
import type { Unit } from '@/core/entities/entities';
import type { MatchStock, StockLine } from '@/core/matching/stockProblem';
import { grouped } from '@/core/shared/grouped';
import { saleGrades, type Grade, type SaleGrade } from '@/core/shared/grades';
import { plainSerial } from '@/core/shared/serials';
import { shopKnowledge } from '@/core/triage/shopKnowledge';
import { modelsOfUnits } from '@/data/models/modelsOfUnits';
import { openOffers } from '@/data/orders/offerRepository';
import { partsAssignedTo } from '@/data/parts/partRepository';
import { currentRules } from '@/data/rules/houseRulesRepository';
import { readTallies, type Tallies } from '@/data/tallies/readTallies';
import { knowledgeGround } from '@/data/triage/knowledgeGround';
import { reportedLost } from '@/data/triage/lostSerials';
import { unitsAt } from '@/data/units/unitRepository';

/** What a plan is made from, as it lies now. */
export async function readMatchStock(db: Knex, now: Date): Promise<MatchStock> {
  const [all, tallies, ground, rules, offers] = await Promise.all([
    unitsAt(db, ['triage', 'match', 'teardown']),
    readTallies(db, ['stock', 'whole']),
    knowledgeGround(db, now),
    currentRules(db),
    openOffers(db),
  ]);
  const units = all.filter(isFree);
  const [models, assigned, lost] = await Promise.all([
    modelsOfUnits(db, units, now),
    partsAssignedTo(
      db,
      units.map(({ id }) => id),
    ),
    reportedLost(
      db,
      units.flatMap(({ serial }) => (serial === null ? [] : [plainSerial(serial)])),
    ),
  ]);
  return {
    units,
    models,
    stock: stockLines(tallies),
    knowledge: shopKnowledge(ground, rules),
    gradeOf: Object.fromEntries(assigned.map(({ id, grade }) => [id, grade ?? ('X' as Grade)])),
    offers,
    lost: new Set(Object.keys(lost)),
  };
}

/** Still free to become anything: what is on a bench goes on there. */
const isFree = ({ stage, modelId, sheet }: Unit): boolean =>
  modelId !== null && (stage === 'triage' || stage === 'match' || sheet === null);

/** What lies on the shelf by class and grade; assemblies that bring something by themselves. */
function stockLines({ stock, whole }: Tallies<'stock' | 'whole'>): readonly StockLine[] {
  const isSold = (grade: string | undefined): grade is SaleGrade => saleGrades.some((own) => own === grade);
  const wholes = whole.flatMap(({ about, more, count }): readonly StockLine[] => {
    const [grade, modelId = '', ...carries] = more.split(' ');
    return isSold(grade) ? [{ interchange: about, grade, count, whole: { modelId, carries } }] : [];
  });
  const wholeOf = grouped(wholes, ({ interchange, grade }) => `${interchange} ${grade}`);
  const counts = new Map<string, StockLine>();
  for (const { about, more, count } of stock) {
    const grade = more.slice(0, 1);
    if (!isSold(grade)) continue;
    const key = `${about} ${grade}`;
    counts.set(key, { interchange: about, grade, count: count + (counts.get(key)?.count ?? 0) });
  }
  const bare = [...counts].map(([key, line]) => ({
    ...line,
    count: line.count - (wholeOf.get(key) ?? []).reduce((sum, own) => sum + own.count, 0),
  }));
  return [...bare.filter(({ count }) => count > 0), ...wholes];
}
