import fc from 'fast-check';
import { TestBench } from '../../../tests/support/bench';
import { handset, phone, shippedModels } from '../../../tests/support/models';
import { findings } from '@/core/procedure/vocabulary';
import { outlineOf } from '@/core/procedure/outline';
import { gradeRank, saleGrades } from '@/core/shared/grades';
import { startingHouseRules as rules } from '@/core/shared/houseRules';
import { openProofs } from './openProofs';
import { bestOnShelf, gradesHeld, predictSale, salePrice } from './predictSale';
import { slotNeeds } from './slots';

const unit = { configuration: 'standard', tests: {}, marks: [], variant: 'grey-64', proof: {} } as const;
const sale = (given: object = {}, question: Parameters<typeof predictSale>[2] = {}) =>
  predictSale(phone, { ...unit, ...given }, question, rules);

describe('predictSale', () => {
  test('is the worst of the look and the cosmetic parts, and says which', () => {
    const held = (display: 'A' | 'C', back: 'A' | 'D') => ({ display, 'back-cover': back });
    expect(sale({}, { held: held('A', 'A'), look: 'A' })).toMatchObject({ grade: 'A', limiting: { is: 'look' } });
    expect(sale({}, { held: held('C', 'A'), look: 'B' })).toMatchObject({
      grade: 'C',
      limiting: { is: 'slot', slot: 'display', name: 'display' },
    });
    expect(sale({}, { held: held('C', 'D'), look: 'A' })).toMatchObject({
      grade: 'D',
      limiting: { slot: 'back-cover' },
    });
    expect(sale({}, { look: 'A' })).toMatchObject({ grade: 'B', limiting: { is: 'slot' } });
  });

  test('a variant adds to its model’s price what it says, and no other variant does', () => {
    for (const { id, priceCents = 0 } of phone.variants)
      expect(salePrice(phone, { variant: id }, 'B', rules)).toBe(phone.priceCents.B + priceCents);
    expect(new Set(phone.variants.map(({ priceCents = 0 }) => priceCents)).size).toBeGreaterThan(1);
    expect(salePrice(phone, { variant: null }, 'B', rules)).toBe(phone.priceCents.B);
  });

  test('a unit without a cosmetic slot is what the eye says of it, or usual', () => {
    const bare = { ...phone, parts: phone.parts.map((part) => ({ ...part, slot: 'functional' as const })) };
    const of = (question: Parameters<typeof predictSale>[2]) => predictSale(bare, unit, question, rules);
    expect(of({})).toMatchObject({ grade: 'B', limiting: { is: 'look' } });
    expect(of({ look: 'D' })).toMatchObject({ grade: 'D', limiting: { is: 'look' } });
  });

  test('a slot that needs a part and finds none on the shelf is taken to get a B that is bought', () => {
    const broken = { tests: { picture: 'fault' } } as const;
    expect(sale(broken, { held: { 'back-cover': 'A' }, look: 'A' })).toMatchObject({
      grade: 'B',
      limiting: { slot: 'display' },
    });
  });

  test('sold as it is, it is a D at the shop’s share whatever is in it', () => {
    expect(sale({ disposition: 'as-is' }, { look: 'A' })).toEqual({
      grade: 'D',
      priceCents: Math.round(salePrice(phone, unit, 'D', rules) * rules.asIsShare),
      limiting: { is: 'as-is' },
    });
    const doubled = predictSale(phone, { ...unit, disposition: 'as-is' }, {}, { asIsShare: rules.asIsShare * 2 });
    expect(doubled.priceCents).toBe(Math.round(salePrice(phone, unit, 'D', rules) * rules.asIsShare * 2));
  });

  test('a slot that needs a part gets the best on the shelf, or one that is bought', () => {
    const broken = { tests: { picture: 'fault' } } as const;
    const shelf = bestOnShelf([
      { interchange: 'lantern-5-display', grade: 'C' },
      { interchange: 'lantern-5-display', grade: 'D' },
      { interchange: 'lantern-5-display', grade: 'X' },
      { interchange: 'lantern-5-display', grade: null },
    ]);
    expect(shelf).toEqual({ 'lantern-5-display': { grade: 'C' } });
    expect(sale(broken).grade).toBe('B');
    expect(sale(broken, { shelf }).grade).toBe('C');
    expect(sale(broken, { shelf, held: { display: 'A', 'back-cover': 'A' } }).grade).toBe('A');
  });

  test('a dent holds the grade down until another housing is in, a deep one further', () => {
    const dent = (depthMm: number) => ({ marks: [{ kind: 'dent', face: 'back', field: 5, depthMm }] });
    expect(sale(dent(1), { held: { display: 'A' } }).grade).toBe('C');
    expect(sale(dent(3), { held: { display: 'A' } }).grade).toBe('D');
    expect(sale(dent(3), { held: { display: 'A', 'back-cover': 'A' } }).grade).toBe('A');
  });

  test('what would be scrap sells at D at most; the price falls with the grade', () => {
    expect(sale({}, { held: { display: 'X' } }).grade).toBe('D');
    const prices = saleGrades.map((look) => sale({}, { held: { display: look, 'back-cover': look }, look }).priceCents);
    expect([...prices].sort((a, b) => b - a)).toEqual(prices);
  });

  test('nothing found, and no worse part, ever lifts a grade', () => {
    const marks = fc.array(
      fc.record({ kind: fc.constantFrom(...findings), face: fc.nat(4), field: fc.integer({ min: 1, max: 9 }) }),
      { maxLength: 4 },
    );
    fc.assert(
      fc.property(fc.constantFrom(...shippedModels), marks, (model, drawn) => {
        const placed = drawn.map(({ kind, face, field }) => ({
          kind,
          field,
          face: model.faces[face % model.faces.length]?.id ?? '',
        }));
        const of = (given: typeof placed) =>
          predictSale(
            model,
            { configuration: null, variant: null, tests: {}, marks: given },
            // Every slot that needs a part gets one that limits nothing.
            {
              held: Object.fromEntries(
                slotNeeds(model, { configuration: null, tests: {}, marks: given }).flatMap(({ part, isNeeded }) =>
                  isNeeded ? [[part.id, 'B' as const]] : [],
                ),
              ),
            },
            rules,
          );
        expect(gradeRank(of(placed).grade)).toBeGreaterThanOrEqual(gradeRank(of([]).grade));
      }),
      { seed: 2026 },
    );
  });

  test('gradesHeld leaves out what has no grade', () => {
    expect(gradesHeld({ display: 'a', board: 'b', port: 'c' }, (id) => ({ a: 'B' as const, b: null })[id])).toEqual({
      display: 'B',
    });
  });
});

describe('one prediction', () => {
  test('a unit with a cracked back is promised, shown and released at one grade and price', () => {
    const bench = new TestBench();
    bench.identified(phone);
    bench.act('mark-placed', 'u', { mark: { kind: 'crack', face: 'back', field: 5 } });
    // Only the back is cracked: nobody orders a display for it.
    expect(slotNeeds(phone, bench.unit()).filter(({ isNeeded }) => isNeeded)).toEqual([]);
    const promised = predictSale(phone, bench.unit(), {}, rules);
    bench.act('unit-decided', 'u', { disposition: 'build', proposed: 'build', apartPlace: null });
    const shown = predictSale(phone, bench.unit(), { held: gradesHeld(bench.unit().assigned, () => null) }, rules);
    bench.act('unit-matched', 'u', {});
    bench.act('wipe-recorded', 'u', { method: 'device-erase' });
    for (const test of phone.tests) bench.act('proof-noted', 'u', { test, result: 'sound' });
    const proposed = predictSale(phone, bench.unit(), { look: promised.grade }, rules);
    expect([promised, shown, { ...proposed, limiting: promised.limiting }]).toEqual([promised, promised, promised]);
    expect(promised).toMatchObject({ grade: 'D', limiting: { is: 'slot', slot: 'back-cover' } });
    expect(bench.act('unit-proven', 'u', { cosmetic: 'A' })).toBe('ok');
    expect(bench.unit().saleGrade).toBe(promised.grade);
  });
});

test('every test must pass, unless it is sold as it is', () => {
  const about = { disposition: 'build', proof: {} } as const;
  expect(openProofs(handset, about)).toEqual(handset.tests);
  const proof = Object.fromEntries(handset.tests.map((test) => [test, 'sound']));
  expect(openProofs(handset, { ...about, proof })).toEqual([]);
  expect(openProofs(handset, { ...about, proof: { ...proof, keys: 'fault' } })).toEqual(['keys']);
  expect(openProofs(handset, { ...about, disposition: 'as-is' })).toEqual([]);
});

test('of every shipped model an outline says the same as the whole: slots, what they need, and what the unit sells at', () => {
  for (const model of shippedModels) {
    const outline = outlineOf(model);
    for (const [at, kind] of findings.entries()) {
      const face = model.faces[at % model.faces.length]?.id ?? 'front';
      const marked = {
        ...unit,
        configuration: model.configurations[0]?.id ?? null,
        variant: model.variants[0]?.id ?? null,
        marks: [{ kind, face, field: 5 }],
        tests: { [model.tests[at % model.tests.length] as string]: 'fault' },
      } as never;
      expect(slotNeeds(outline, marked)).toEqual(slotNeeds(model, marked));
      const question = { held: gradesHeld({}, () => undefined), shelf: {} };
      expect(predictSale(outline, marked, question, rules)).toEqual(predictSale(model, marked, question, rules));
    }
  }
});
