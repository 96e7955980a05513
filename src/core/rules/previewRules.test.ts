import { bestReadings } from '../../../tests/support/bestReadings';
import { shippedModels } from '../../../tests/support/models';
import { startingHouseRules as today } from '@/core/shared/houseRules';
import { knowledgeFor } from '@/core/triage/knowledge';
import { proposeDisposition } from '@/core/triage/proposeDisposition';
import { shopKnowledge, type KnowledgeGround } from '@/core/triage/shopKnowledge';
import { gradePart } from '@/core/grading/gradePart';
import { previewRules, type Shelved, type Waiting } from './previewRules';

const ground: KnowledgeGround = {
  outcomes: [],
  outcomesGiven: [],
  tests: [],
  looks: { units: [], tests: [], marks: [] },
  resistances: {},
  shelf: {},
  market: {},
  waiting: [],
};
const waiting: readonly Waiting[] = shippedModels.map((model, at) => ({
  tag: `U-${at}`,
  model,
  unit: {
    revision: model.revisions[0]?.id ?? null,
    configuration: model.configurations[0]?.id ?? null,
    variant: model.variants[0]?.id ?? null,
    marks: [],
    tests: { starts: at % 3 === 0 ? ('fault' as const) : ('sound' as const) },
  },
}));
const cheaper = { ...today, labourCentsPerMinute: 5 };
const dear = { ...today, labourCentsPerMinute: 900 };

const preview = (to: typeof today, shelved: readonly Shelved[] = []) =>
  previewRules({ waiting, ground, rules: today }, to, shelved);

/** A battery as it was measured, and graded by the limits of today. */
function shelvedBattery(tag: string, capacityShare: number): Shelved {
  const asked = { category: 'battery', interchange: 'lantern-5-cell', findings: [] } as const;
  const readings = { ...bestReadings(asked), capacityShare };
  const judged = gradePart(asked, readings, today);
  if (!judged.ok) throw new Error(tag);
  const part = { tag, ...asked, readings, grade: judged.value.grade } as const;
  return { part, name: 'Battery', valueCents: { A: 900, B: 700, C: 400, D: 100 } };
}

describe('previewRules', () => {
  test('the same rules change nothing', () => {
    const { turns, units, fromCents, toCents } = preview({ ...today });
    expect([turns, units, toCents]).toEqual([[], waiting.length, fromCents]);
  });

  test('what it says of each unit is what triage would propose by each rules', () => {
    const best = (at: number, rules: typeof today) => {
      const { model, unit } = waiting[at] as Waiting;
      return proposeDisposition(model, unit, knowledgeFor(shopKnowledge(ground, rules), model.id), rules).valued[0];
    };
    const { turns, fromCents, toCents } = preview(dear);
    const all = waiting.map(({ tag }, at) => ({ tag, from: best(at, today), to: best(at, dear) }));
    expect(fromCents).toBe(all.reduce((sum, { from }) => sum + (from?.cents ?? 0), 0));
    expect(toCents).toBe(all.reduce((sum, { to }) => sum + (to?.cents ?? 0), 0));
    expect(turns.map(({ tag, from, to }) => [tag, from.disposition, to.disposition])).toEqual(
      all
        .filter(({ from, to }) => from?.disposition !== to?.disposition)
        .map(({ tag, from, to }) => [tag, from?.disposition, to?.disposition]),
    );
    expect(turns.length).toBeGreaterThan(0);
  });

  test('cheaper work is never worth less, dearer work never more', () => {
    const more = preview(cheaper);
    const less = preview(dear);
    expect(more.toCents).toBeGreaterThan(more.fromCents);
    expect(less.toCents).toBeLessThan(less.fromCents);
  });

  test('nobody waits: nothing to change', () => {
    expect(previewRules({ waiting: [], ground, rules: today }, dear, [])).toEqual({
      turns: [],
      units: 0,
      fromCents: 0,
      toCents: 0,
      shelf: { turns: [], cents: 0 },
    });
  });

  test('stricter limits: exactly the parts between the old limit and the new fall, and the shelf by their worth', () => {
    const stricter = {
      ...today,
      gradingLimits: { ...today.gradingLimits, capacityShare: { A: 95, B: 90, C: 80, D: 80 } },
    };
    const shares = [96, 94, 90, 89.9, 88.5, 88, 87, 70];
    const shelved = shares.map((share, at) => shelvedBattery(`P-${at}`, share));
    const { shelf } = preview(stricter, shelved);
    expect(shelf.turns).toEqual([3, 4, 5].map((at) => ({ tag: `P-${at}`, name: 'Battery', from: 'B', to: 'C' })));
    expect(shelf.cents).toBe(3 * (400 - 700));
    expect(preview(dear, shelved).shelf).toEqual({ turns: [], cents: 0 });
    // What was not measured cannot be judged anew; what was measured in part is judged by that.
    const unread = { ...shelved[3], part: { ...shelved[3]?.part, readings: {} } } as Shelved;
    expect(preview(stricter, [unread]).shelf.turns).toEqual([]);
    const half = { ...shelved[3], part: { ...shelved[3]?.part, readings: { capacityShare: 89.9 } } } as Shelved;
    expect(preview(stricter, [half]).shelf.turns).toEqual([{ tag: 'P-3', name: 'Battery', from: 'B', to: 'C' }]);
  });
});
