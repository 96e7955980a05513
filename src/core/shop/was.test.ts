import fc from 'fast-check';
import { asItWas, wasBefore } from './was';

const leaf = fc.oneof(fc.integer(), fc.string(), fc.constant(null), fc.boolean());
const list = fc.array(fc.oneof(leaf, fc.record({ id: fc.string() })), { maxLength: 4 });
const thing = (depth: number): fc.Arbitrary<object> =>
  fc.dictionary(
    fc.constantFrom('a', 'b', 'c', 'd', 'e'),
    depth === 0 ? fc.oneof(leaf, list) : fc.oneof(leaf, list, thing(depth - 1)),
  );
const json = (value: object): unknown => JSON.parse(JSON.stringify(value));

describe('what a thing was', () => {
  test('is made of what it is and what was other, through JSON and whatever either holds', () => {
    fc.assert(
      fc.property(thing(2), thing(2), (before, after) => {
        const was = json(wasBefore(before, after)) as ReturnType<typeof wasBefore>;
        expect(json(asItWas(after, was))).toEqual(json(before));
      }),
      { numRuns: 2000 },
    );
  });

  test('is short where little changed: a step more, a list that grew, a field that came', () => {
    const before = { version: 3, sheet: { doneStepIds: ['a', 'b'], rules: { ask: true } }, tests: {} };
    const after = { version: 4, sheet: { doneStepIds: ['a', 'b', 'c'], rules: { ask: true }, redo: ['x'] }, tests: {} };
    expect(wasBefore(before, after)).toEqual({
      fields: { version: 3 },
      within: { sheet: { fields: {}, lengths: { doneStepIds: 2 }, added: ['redo'] } },
    });
    expect(wasBefore(after, after)).toEqual({ fields: {} });
  });

  test('an undefined field is one that is not there', () => {
    const before = { a: 1, b: undefined };
    const after = { a: 1, b: 2, c: undefined };
    expect(asItWas(after, wasBefore(before, after))).toEqual({ a: 1 });
  });

  test('of what something newer took away nothing is made, and nothing breaks', () => {
    const was = wasBefore({ look: { grade: 'A' }, list: ['a'] }, { look: { grade: 'B' }, list: ['a', 'b'] });
    expect(asItWas({ tag: 'P-1' }, was)).toEqual({ tag: 'P-1' });
  });
});
