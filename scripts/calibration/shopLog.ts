import { kindsFound } from '@/core/findings/mark';
import type { DeviceTest, Finding } from '@/core/procedure/vocabulary';
import type { ResistanceCount } from '@/core/teardown/policy/learnedOdds';
import type { KnowledgeGround } from '@/core/triage/shopKnowledge';
import type { OutcomeCount } from '@/core/yields/harvestYield';
import type { Outcome } from './carryOut';
import type { TrueUnit } from './inventedTruth';

/** What a shop writes down, counted as its log is. */
export class ShopLog {
  private readonly outcomes = new Map<string, { modelId: string; partRef: string; good: number; sought: number }>();
  private readonly given = new Map<
    string,
    { modelId: string; partRef: string; finding: Finding; good: number; sought: number }
  >();
  private readonly tests = new Map<DeviceTest, { sound: number; noted: number }>();

  private readonly resistances = new Map<string, Map<string, ResistanceCount>>();

  private readonly looks = {
    units: new Map<string, { modelId: string; units: number }>(),
    tests: new Map<string, { modelId: string; test: DeviceTest; units: number }>(),
    marks: new Map<Finding, { finding: Finding; units: number }>(),
  };

  note({ truth, subject }: TrueUnit, { sought, tried }: Outcome): void {
    const modelId = truth.model.id;
    const resisted = this.resistances.get(modelId) ?? new Map<string, ResistanceCount>();
    this.resistances.set(modelId, resisted);
    for (const { operation: operationId, rung, hasYielded } of tried) {
      const key = `${operationId} ${rung} ${hasYielded}`;
      resisted.set(key, { operationId, rung, hasYielded, count: (resisted.get(key)?.count ?? 0) + 1 });
    }
    for (const [partRef, isGood] of sought) {
      const own = this.outcomes.get(`${modelId} ${partRef}`) ?? { modelId, partRef, good: 0, sought: 0 };
      this.outcomes.set(`${modelId} ${partRef}`, { ...own, good: own.good + Number(isGood), sought: own.sought + 1 });
      for (const finding of kindsFound(subject)) {
        const key = `${modelId} ${partRef} ${finding}`;
        const counted = this.given.get(key) ?? { modelId, partRef, finding, good: 0, sought: 0 };
        this.given.set(key, { ...counted, good: counted.good + Number(isGood), sought: counted.sought + 1 });
      }
    }
    const more = <Key, Own extends { units: number }>(all: Map<Key, Own>, key: Key, own: Own) =>
      all.set(key, { ...own, units: (all.get(key)?.units ?? 0) + 1 });
    more(this.looks.units, modelId, { modelId, units: 0 });
    for (const test of Object.keys(subject.tests) as DeviceTest[])
      more(this.looks.tests, `${modelId} ${test}`, { modelId, test, units: 0 });
    for (const finding of kindsFound(subject)) more(this.looks.marks, finding, { finding, units: 0 });
    for (const [test, result] of Object.entries(subject.tests) as [DeviceTest, string][]) {
      const own = this.tests.get(test) ?? { sound: 0, noted: 0 };
      this.tests.set(test, { sound: own.sound + Number(result === 'sound'), noted: own.noted + 1 });
    }
  }

  ground(shelf: ReadonlySet<string>): KnowledgeGround {
    const outcomes: readonly OutcomeCount[] = [...this.outcomes.values()];
    return {
      outcomes,
      outcomesGiven: [...this.given.values()],
      tests: [...this.tests].map(([test, own]) => ({ test, ...own })),
      looks: {
        units: [...this.looks.units.values()],
        tests: [...this.looks.tests.values()],
        marks: [...this.looks.marks.values()],
      },
      resistances: Object.fromEntries([...this.resistances].map(([id, counts]) => [id, [...counts.values()]])),
      shelf: Object.fromEntries([...shelf].map((interchange) => [interchange, { grade: 'B' as const, count: 3 }])),
      market: {},
      waiting: [],
    };
  }
}
