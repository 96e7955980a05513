import { shippedModels } from '../../../tests/support/models';
import { startingHouseRules as today } from '@/core/shared/houseRules';
import { knowledgeFor } from '@/core/triage/knowledge';
import { proposeDisposition } from '@/core/triage/proposeDisposition';
import { shopKnowledge, type KnowledgeGround } from '@/core/triage/shopKnowledge';
import { previewRules, type Waiting } from './previewRules';

const ground: KnowledgeGround = { outcomes: [], outcomesGiven: [], tests: [], shelf: {}, market: {}, waiting: [] };
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

describe('previewRules', () => {
  test('the same rules change nothing', () => {
    const { turns, units, fromCents, toCents } = previewRules(waiting, ground, today, { ...today });
    expect([turns, units, toCents]).toEqual([[], waiting.length, fromCents]);
  });

  test('what it says of each unit is what triage would propose by each rules', () => {
    const best = (at: number, rules: typeof today) => {
      const { model, unit } = waiting[at] as Waiting;
      return proposeDisposition(model, unit, knowledgeFor(shopKnowledge(ground, rules), model.id), rules).valued[0];
    };
    const { turns, fromCents, toCents } = previewRules(waiting, ground, today, dear);
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
    const more = previewRules(waiting, ground, today, cheaper);
    const less = previewRules(waiting, ground, today, dear);
    expect(more.toCents).toBeGreaterThan(more.fromCents);
    expect(less.toCents).toBeLessThan(less.fromCents);
  });

  test('nobody waits: nothing to change', () => {
    expect(previewRules([], ground, today, dear)).toEqual({ turns: [], units: 0, fromCents: 0, toCents: 0 });
  });
});
