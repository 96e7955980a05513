import type { Knex } from 'knex';
import type { Unit } from '@/core/entities/entities';
import { modelAmong } from '@/core/procedure/model';
import { sheetProgress, type SheetProgress } from '@/core/sheet/sheetProgress';
import type { SheetKind } from '@/core/teardown/sheet/runSheet';
import { knowledgeFor } from '@/core/triage/knowledge';
import { proposedTargets } from '@/core/triage/proposedTargets';
import { shopKnowledge } from '@/core/triage/shopKnowledge';
import { currentRules } from '@/data/rules/houseRulesRepository';
import { modelsOfUnits } from '@/data/models/modelsOfUnits';
import { priceBook } from '@/data/prices/priceBook';
import { knowledgeGround } from '@/data/triage/knowledgeGround';
import { proposedLately } from '@/data/triage/proposedLately';
import { unitsAt } from '@/data/units/unitRepository';

/** A unit that waits for the bench, or lies on it. */
export interface SheetSummary extends SheetProgress {
  readonly unit: Pick<Unit, 'id' | 'tag' | 'timer'>;
  readonly modelName: string;
}

/** Units of one leg of the line with how much work is left in each; what waits on a fixture comes last. */
export async function readSheets(db: Knex, kind: SheetKind, now: Date): Promise<readonly SheetSummary[]> {
  const [units, rules, ground, { edition }] = await Promise.all([
    unitsAt(db, [kind]),
    currentRules(db),
    knowledgeGround(db, now),
    priceBook(db, now),
  ]);
  const models = await modelsOfUnits(db, units, now);
  const basis = { learnt: ground.learnt, versions: `${rules.version} ${edition}` };
  const known = shopKnowledge(ground, rules);
  return units
    .flatMap((unit): SheetSummary[] => {
      const model = modelAmong(models, unit);
      const progress =
        model &&
        sheetProgress(model, unit, kind, rules, () =>
          proposedLately(model, unit, basis, now, () =>
            proposedTargets(model, unit, knowledgeFor(known, model.id), rules),
          ),
        );
      const { id, tag, timer } = unit;
      return progress && model
        ? [{ ...progress, unit: { id, tag, timer }, modelName: `${model.maker} ${model.name}` }]
        : [];
    })
    .sort((a, b) => Number(a.unit.timer !== null) - Number(b.unit.timer !== null) || b.done - a.done);
}
