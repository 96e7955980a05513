import { concerns, type NewsFact } from './news';

const fact = (more: Partial<NewsFact> = {}): NewsFact => ({
  unit: 'U-0002',
  isOfPart: false,
  turnsTimer: false,
  ...more,
});

describe('whether news concerns a screen', () => {
  test.each<[string, NewsFact, boolean]>([
    ['another unit', fact(), false],
    ['its own unit', fact({ unit: 'U-0001' }), true],
    ['a part, which may be one of its own', fact({ isOfPart: true }), true],
    ['a wait, which every bench shows', fact({ turnsTimer: true }), true],
    ['what is about no unit', fact({ unit: null }), true],
  ])('a bench: %s', (_, news, is) => {
    expect(concerns('/bench/U-0001', [news])).toBe(is);
    expect(concerns('/bench/u-0001', [news])).toBe(is);
    expect(concerns('/bench/U-0001', [fact(), news])).toBe(is);
  });

  test('too much news concerns everybody; none nobody at a bench', () => {
    expect(concerns('/bench/U-0001', null)).toBe(true);
    expect(concerns('/bench/U-0001', [])).toBe(false);
  });

  test('every other screen shows what waits at the stages', () => {
    for (const path of ['/', '/triage', '/bench', '/t/U-0001', '/models']) expect(concerns(path, [fact()])).toBe(true);
  });
});
