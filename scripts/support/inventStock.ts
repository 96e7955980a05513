import type { Unit } from '@/core/entities/entities';
import type { MatchStock, StockLine } from '@/core/matching/matchStock';
import type { Model } from '@/core/procedure/model';
import type { Chance } from '@/core/shared/chance';
import { saleGrades } from '@/core/shared/grades';

const marks = ['crack', 'dent', 'liquid', 'opened-before'] as const;
const fields = 9;

/**
 * A made-up live stock of some models: units with marks and failed tests, most of them unlike every other, and a shelf with parts of
 * every class.
 *
 * @param parts  about so many on the shelf
 */
export function inventStock(chance: Chance, models: readonly Model[], units: number, parts: number): MatchStock {
  const classes = [...new Set(models.flatMap((model) => model.parts.map(({ interchange }) => interchange)))];
  const each = Math.max(1, Math.round(parts / (classes.length * saleGrades.length)));
  const stock = classes.flatMap((interchange) =>
    saleGrades.flatMap((grade): readonly StockLine[] => {
      const count = Math.round(chance.between(0, 2 * each));
      return count === 0 ? [] : [{ interchange, grade, count }];
    }),
  );
  return {
    units: Array.from({ length: units }, (_, at) => unitOf(chance, chance.pick(models), at)),
    models,
    stock,
    knowledge: {
      known: {
        shelf: Object.fromEntries(stock.map(({ interchange, grade, count }) => [interchange, { grade, count }])),
        market: Object.fromEntries(
          stock.map(({ interchange, count }) => [interchange, { stock: count, usedPerMonth: 4 }]),
        ),
        unseen: { share: 0.8, low: 0.7, high: 0.9 },
        tests: {},
        lacking: {},
      },
      looks: { made: {}, marks: {} },
      ...{ yields: {}, yieldsGiven: {}, resistances: {}, alike: { units: 20, parts: 20 } },
    },
    ...{ gradeOf: {}, offers: [], kept: [], underWay: [], reserves: [], lost: new Set() },
  };
}

function unitOf(chance: Chance, model: Model, at: number): Unit {
  const found = chance.happens(0.5)
    ? [{ kind: chance.pick(marks), face: chance.pick(model.faces).id, field: Math.round(chance.between(1, fields)) }]
    : [];
  const tests = Object.fromEntries(
    model.tests
      .filter(() => chance.happens(0.9))
      .map((test) => [test, chance.happens(0.85) || test.endsWith('lock') ? 'sound' : 'fault']),
  );
  return {
    ...{ id: `unit-${at}`, tag: `U-${String(at + 1).padStart(4, '0')}`, version: 1, lastFactId: '' },
    ...{ parcelId: 'p', lineNo: null, stage: 'triage', modelId: model.id, modelVersion: model.version },
    revision: chance.pick(model.revisions).id,
    configuration: chance.pick(model.configurations).id,
    variant: chance.pick(model.variants).id,
    ...{ serial: null, marks: found, found: [], photos: [], tests, disposition: null, apartPlace: null },
    ...{ isWiped: false, isOwnershipSettled: false, sheet: null, timer: null, assigned: {}, fitted: {} },
    ...{ promised: {}, proof: {}, saleGrade: null, shipment: null },
  };
}
