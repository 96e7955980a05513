import fc from 'fast-check';
import { shippedModels } from '../../../tests/support/models';
import { lookNames, looksOf, type LookName, type Looks } from '@/core/procedure/looks';
import { bestQuestion } from './bestQuestion';

const candidate = fc
  .record(Object.fromEntries(lookNames.map((name) => [name, fc.constantFrom('a', 'b', 'c')])))
  .map((looks) => ({ looks: looks as Looks }));

describe('bestQuestion', () => {
  test('no other question leaves fewer candidates on the mean', () => {
    fc.assert(
      fc.property(fc.array(candidate, { minLength: 1, maxLength: 14 }), (candidates) => {
        const leftBy = (look: LookName) =>
          candidates.reduce(
            (sum, { looks }) => sum + candidates.filter((other) => other.looks[look] === looks[look]).length,
            0,
          ) / candidates.length;
        const tells = lookNames.filter((look) => new Set(candidates.map(({ looks }) => looks[look])).size > 1);
        const question = bestQuestion(candidates, []);
        if (tells.length === 0) return expect(question).toBeNull();
        expect(leftBy(question?.look as LookName)).toBeCloseTo(Math.min(...tells.map(leftBy)), 9);
        expect(question?.options.reduce((sum, { left }) => sum + left, 0)).toBe(candidates.length);
      }),
      { numRuns: 200, seed: 2026 },
    );
  });

  test('what was asked is not asked again', () => {
    const two = [{ looks: looksOf(shippedModels[0] as never) }, { looks: looksOf(shippedModels[4] as never) }];
    const first = bestQuestion(two, [])?.look as LookName;
    expect(bestQuestion(two, [first])?.look).not.toBe(first);
    expect(bestQuestion(two, [...lookNames])).toBeNull();
  });

  test('each shipped model is told from the others in at most four answers, or the rest cannot be told apart by looking', () => {
    const all = shippedModels.map((model) => ({ id: model.id, looks: looksOf(model) }));
    for (const wanted of all) {
      let left = all;
      const asked: LookName[] = [];
      for (let question = bestQuestion(left, asked); question; question = bestQuestion(left, asked)) {
        const { look } = question;
        asked.push(look);
        left = left.filter(({ looks }) => looks[look] === wanted.looks[look]);
      }
      expect(left.map(({ id }) => id)).toContain(wanted.id);
      expect(asked.length).toBeLessThanOrEqual(4);
      expect(left.length).toBeLessThanOrEqual(2);
    }
  });
});
