import * as words from '@/words/catalogue/triage';
import { kindsFound } from '@/core/findings/mark';
import { deviceTests } from '@/core/procedure/vocabulary';
import { modelAmong } from '@/core/procedure/model';
import type { Knex } from 'knex';
import { grouped } from '@/core/shared/grouped';
import { actualMoney } from '@/core/triage/actualMoney';
import { houseHabits, type Habit } from '@/core/triage/houseHabits';
import { scoreProposals, type Judged, type ProposalScore } from '@/core/triage/scoreProposals';
import { modelsOfUnits } from '@/data/models/modelsOfUnits';
import { priceBook } from '@/data/prices/priceBook';
import { releaseDays } from '@/data/prices/releaseDays';
import { partsById, partsFreedFrom } from '@/data/parts/partRepository';
import { currentRules } from '@/data/rules/houseRulesRepository';
import { marketNow } from '@/data/plans/planGround';
import { decisions } from '@/data/triage/decisions';
import { unitsById } from '@/data/units/unitRepository';

/** So many of the last decisions are judged. */
const lookedAt = 1000;

/** A decision that was judged, as far as it is shown. */
export type JudgedRow = Pick<
  Judged,
  'tag' | 'name' | 'proposed' | 'chosen' | 'expected' | 'actualCents' | 'isHeld' | 'byCents'
>;

/** How the proposals of triage did, and what the house does otherwise. */
export interface ProposalRecord extends Omit<ProposalScore, 'judged'> {
  readonly judged: readonly JudgedRow[];
  readonly habits: readonly Habit[];
}

/** The record of the proposals of triage, from what became of the units. */
export async function readScore(db: Knex, now: Date): Promise<ProposalRecord> {
  const rows = await decisions(db, lookedAt);
  const ids = rows.map(({ unitId }) => unitId);
  const [units, freed] = await Promise.all([unitsById(db, ids), partsFreedFrom(db, ids)]);
  const [models, market, rules, released, { price }, fitted] = await Promise.all([
    modelsOfUnits(db, units),
    marketNow(db, now),
    currentRules(db),
    releaseDays(db, ids),
    priceBook(db, now),
    partsById(
      db,
      units.flatMap((unit) => Object.values(unit.fitted)),
    ),
  ]);
  const unitOf = new Map(units.map((unit) => [unit.id, unit]));
  const freedFrom = grouped(freed, ({ unitId }) => unitId);
  const score = scoreProposals(
    rows.flatMap(({ unitId, payload, seconds }) => {
      const unit = unitOf.get(unitId);
      if (!unit) return [];
      const written = modelAmong(models, unit);
      const model = written && price(written, released.get(unitId));
      const own = freedFrom.get(unitId) ?? [];
      return [
        {
          tag: unit.tag,
          name: model?.name ?? words.modelNotKnown(),
          marks: kindsFound(unit),
          faults: deviceTests.filter((test) => unit.tests[test] === 'fault'),
          proposed: payload.proposed,
          chosen: payload.disposition,
          weighed: payload.weighed ?? [],
          actualCents: model ? actualMoney({ unit, model, freed: own, fitted, seconds }, market, rules) : null,
        },
      ];
    }),
  );
  const judged = score.judged.map(({ tag, name, proposed, chosen, expected, actualCents, isHeld, byCents }) => ({
    tag,
    name,
    proposed,
    chosen,
    expected,
    actualCents,
    isHeld,
    byCents,
  }));
  return { ...score, judged, habits: houseHabits(score.judged) };
}
