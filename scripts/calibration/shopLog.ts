import { kindsFound } from '@/core/findings/mark';
import type { DeviceTest, Finding } from '@/core/procedure/vocabulary';
import type { ResistanceCount } from '@/core/teardown/policy/learnedOdds';
import type { OutcomeGiven, TestCount } from '@/core/triage/knownYields';
import type { LookGround } from '@/core/triage/knownLooks';
import type { KnowledgeGround } from '@/core/triage/shopKnowledge';
import type { ParcelOutcome } from '@/core/yields/parcelOutcomes';
import type { Outcome } from './carryOut';
import type { TrueUnit } from './inventedTruth';

/** What a shop writes down, counted as its log is. */
export class ShopLog {
  private readonly outcomes = new Map<string, ParcelOutcome>();
  private readonly given = new Map<string, OutcomeGiven>();
  private readonly tests = new Map<string, TestCount>();
  private readonly resistances = new Map<string, Map<string, ResistanceCount>>();
  private readonly looks = {
    units: new Map<string, LookGround['units'][number]>(),
    tests: new Map<string, LookGround['tests'][number]>(),
    marks: new Map<string, LookGround['marks'][number]>(),
  };

  note(parcelId: string, { truth, subject }: TrueUnit, { sought, tried }: Outcome): void {
    const modelId = truth.model.id;
    const resisted = this.resistances.get(modelId) ?? new Map<string, ResistanceCount>();
    this.resistances.set(modelId, resisted);
    for (const { operation: operationId, rung, hasYielded } of tried) {
      const key = `${operationId} ${rung} ${hasYielded}`;
      resisted.set(key, { operationId, rung, hasYielded, count: (resisted.get(key)?.count ?? 0) + 1 });
    }
    for (const [partRef, isGood] of sought) {
      const of = { parcelId, modelId, partRef };
      tally(this.outcomes, of, isGood);
      for (const finding of kindsFound(subject)) tally(this.given, { ...of, finding }, isGood);
    }
    const tests = Object.entries(subject.tests) as [DeviceTest, string][];
    for (const [test, result] of tests) tally(this.tests, { parcelId, test }, result === 'sound');
    oneMore(this.looks.units, { parcelId, modelId });
    for (const [test] of tests) oneMore(this.looks.tests, { modelId, test });
    for (const finding of kindsFound(subject))
      oneMore<{ finding: Finding; parcelId: string }>(this.looks.marks, { finding, parcelId });
  }

  ground(shelf: ReadonlySet<string>): KnowledgeGround {
    return {
      outcomes: [...this.outcomes.values()],
      outcomesGiven: [...this.given.values()],
      tests: [...this.tests.values()],
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

/** One more trial of what has this key. */
function tally<Of extends object>(all: Map<string, Of & { good: number; sought: number }>, of: Of, isGood: boolean) {
  const key = Object.values(of).join(' ');
  const { good, sought } = all.get(key) ?? { good: 0, sought: 0 };
  all.set(key, { ...of, good: good + Number(isGood), sought: sought + 1 });
}

function oneMore<Of extends object>(all: Map<string, Of & { units: number }>, of: Of) {
  const key = Object.values(of).join(' ');
  all.set(key, { ...of, units: (all.get(key)?.units ?? 0) + 1 });
}
