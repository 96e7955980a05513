import type { Knex } from 'knex';
import { carriedBy, type Part, type Unit } from '@/core/entities/entities';
import type { KeptForUnit, MatchStock, StockLine } from '@/core/matching/matchStock';
import { pairOf } from '@/core/matching/waysToBuild';
import type { Model } from '@/core/procedure/model';
import { grouped } from '@/core/shared/grouped';
import { saleGrades, worstGrade, type Grade, type SaleGrade } from '@/core/shared/grades';
import { plainSerial } from '@/core/shared/serials';
import { shopKnowledge } from '@/core/triage/shopKnowledge';
import { modelsOfUnits } from '@/data/models/modelsOfUnits';
import { openOffers } from '@/data/orders/offerRepository';
import { partReserves } from '@/data/orders/reserveRepository';
import { boundOnShelf } from '@/data/parts/boundOnShelf';
import { partsAssignedTo, partsFreedFrom, partsKeptForUnits } from '@/data/parts/partRepository';
import { currentRules } from '@/data/rules/houseRulesRepository';
import { readTallies, type Tallies } from '@/data/tallies/readTallies';
import { knowledgeGround } from '@/data/triage/knowledgeGround';
import { reportedLost } from '@/data/triage/lostSerials';
import { unitsAt } from '@/data/units/unitRepository';

/** What a plan is made from, as it lies now. */
export async function readMatchStock(db: Knex, now: Date): Promise<MatchStock> {
  const [all, tallies, ground, rules, offers, reserves, kept] = await Promise.all([
    unitsAt(db, ['triage', 'match', 'teardown']),
    readTallies(db, ['stock', 'whole']),
    knowledgeGround(db, now),
    currentRules(db),
    openOffers(db),
    partReserves(db),
    partsKeptForUnits(db),
  ]);
  const units = all.filter(isFree);
  const begun = all.filter((unit) => !isFree(unit) && Object.keys(unit.promised).length > 0);
  const [models, out, assigned, lost] = await Promise.all([
    modelsOfUnits(db, [...units, ...begun], now),
    partsFreedFrom(
      db,
      begun.map(({ id }) => id),
    ),
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
    stock: [...stockLines(tallies), ...(await pairLines(db, models))],
    knowledge: shopKnowledge(ground, rules),
    gradeOf: Object.fromEntries(assigned.map(({ id, grade }) => [id, grade ?? ('X' as Grade)])),
    offers,
    kept: kept.flatMap(keptForUnit),
    underWay: begun.map((unit) => ({ unit, promised: stillInside(unit, out) })),
    reserves,
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

/** What is promised of a unit and did not come out yet. */
function stillInside({ id, promised }: Unit, out: readonly Part[]): Unit['promised'] {
  const gone = new Set(out.filter(({ unitId }) => unitId === id).map(({ partRef }) => partRef));
  return Object.fromEntries(Object.entries(promised).filter(([part]) => !gone.has(part)));
}

function keptForUnit(part: Part): readonly KeptForUnit[] {
  const { tag, reservedFor, interchange, grade, place, modelId } = part;
  const carries = carriedBy(part);
  const whole = carries.length > 0 && { whole: { modelId, carries } };
  return reservedFor === undefined
    ? []
    : [{ tag, for: reservedFor, interchange, grade, isOnShelf: place === 'reserved', ...whole }];
}

/** Pairs on the shelf that work only together, as lines of their own. */
async function pairLines(db: Knex, models: readonly Model[]): Promise<readonly StockLine[]> {
  const pairs = new Map(
    models.flatMap(({ parts }) =>
      parts.flatMap((part) => {
        const partner = parts.find(({ id }) => id === part.boundTo);
        if (!partner) return [];
        const classes = [part.interchange, partner.interchange].sort() as [string, string];
        return [[pairOf(...classes), classes] as const];
      }),
    ),
  );
  const found = await Promise.all(
    [...pairs].map(async ([interchange, classes]) =>
      (await boundOnShelf(db, classes)).map(({ grades }) => ({ interchange, grade: worstGrade([...grades]) })),
    ),
  );
  return [...grouped(found.flat(), ({ interchange, grade }) => `${interchange} ${grade}`).values()].flatMap(
    (alike): readonly StockLine[] => {
      const [first] = alike;
      if (!first || first.grade === 'X') return [];
      return [{ interchange: first.interchange, grade: first.grade, count: alike.length }];
    },
  );
}
