import { concerns, type NewsFact } from './news';

const fact = (more: Partial<NewsFact> = {}): NewsFact => ({
  unit: 'U-0002',
  isOfPart: false,
  turnsTimer: false,
  at: ['teardown'],
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

  test('a screen of the line is concerned by what lies there, came there or left', () => {
    const moved = fact({ at: ['triage', 'match'] });
    for (const path of ['/triage', '/match']) expect(concerns(path, [fact(), moved])).toBe(true);
    for (const path of ['/rebuild', '/grade', '/shelf', '/shelf/racks', '/prove', '/send', '/apart'])
      expect(concerns(path, [moved])).toBe(false);
    expect(concerns('/shelf/racks', [fact({ at: ['grade', 'to-shelve'] })])).toBe(true);
    // A wait is shown on every screen.
    expect(concerns('/send', [fact({ turnsTimer: true })])).toBe(true);
    expect(concerns('/send', null)).toBe(true);
  });

  test('screens that look at the whole shop, or that nobody thought of, are always concerned', () => {
    for (const path of ['/', '/dock', '/t/U-0001', '/yield', '/history', '/triage/score', '/matchmaking', '/bench'])
      expect(concerns(path, [fact()])).toBe(true);
    for (const path of ['/models', '/models/reed/plan', '/rules', '/people'])
      expect(concerns(path, [fact()])).toBe(false);
  });
});
