import fc from 'fast-check';
import { usualSeconds } from '@/core/sheet/usualSeconds';
import { productLimitQuantile, type Span } from './productLimit';
import { triangleQuantile } from './triangle';

const seconds = fc.integer({ min: 1, max: 500 });
const share = fc.double({ min: 0.05, max: 0.95, noNaN: true });
const ended = (values: readonly number[]): Span[] => values.map((value) => ({ seconds: value, isCensored: false }));

describe('the product-limit quantile', () => {
  test('with every end seen it is the plain quantile', () => {
    fc.assert(
      fc.property(fc.array(seconds, { minLength: 1, maxLength: 40 }), share, (values, wanted) => {
        const sorted = [...values].sort((a, b) => a - b);
        const plain = sorted[Math.ceil(wanted * sorted.length - 1e-9) - 1];
        expect(productLimitQuantile(ended(values), wanted)).toBe(plain);
      }),
    );
  });

  test('a weight of two is the same span twice', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ seconds, isCensored: fc.boolean() }), { minLength: 1, maxLength: 20 }),
        share,
        (spans, wanted) => {
          const twice = productLimitQuantile([...spans, ...spans], wanted);
          expect(
            productLimitQuantile(
              spans.map((span) => ({ ...span, weight: 2 })),
              wanted,
            ),
          ).toBe(twice);
        },
      ),
    );
  });

  test('losing sight of a span never makes the quantile shorter', () => {
    fc.assert(
      fc.property(fc.array(seconds, { minLength: 1, maxLength: 25 }), fc.nat(), share, (values, at, wanted) => {
        const seen = ended(values);
        const lost = seen.map((span, index) => (index === at % seen.length ? { ...span, isCensored: true } : span));
        const after = productLimitQuantile(lost, wanted) ?? Number.POSITIVE_INFINITY;
        expect(after).toBeGreaterThanOrEqual(productLimitQuantile(seen, wanted) as number);
      }),
    );
  });

  test('of none, or of none with an end, it is unknown; a share outside is refused', () => {
    expect(productLimitQuantile([], 0.9)).toBeNull();
    expect(productLimitQuantile([{ seconds: 5, isCensored: true }], 0.9)).toBeNull();
    expect(() => productLimitQuantile([], 1)).toThrow(RangeError);
  });
});

describe('the usual time of a step', () => {
  const minutes = { low: 0.5, likely: 1, high: 3 };

  test('is the model’s guess while nothing was timed, and what was timed in the end', () => {
    expect(usualSeconds(minutes, [])).toBe(triangleQuantile(minutes, 0.9) * 60);
    const slow = Array.from({ length: 500 }, (_, at) => ({ seconds: 400 + (at % 100), isCensored: false }));
    expect(usualSeconds(minutes, slow)).toBeGreaterThan(480);
    const few = usualSeconds(minutes, slow.slice(0, 3));
    expect(few).toBeGreaterThan(usualSeconds(minutes, []));
    const quick = Array.from({ length: 500 }, () => ({ seconds: 20, isCensored: false }));
    expect(usualSeconds(minutes, quick)).toBe(20);
  });

  test('spans without an end never shorten it', () => {
    fc.assert(
      fc.property(fc.array(seconds, { maxLength: 20 }), fc.array(seconds, { maxLength: 10 }), (values, lost) => {
        const known = ended(values);
        const before = usualSeconds(minutes, known);
        const censored = lost.map((value) => ({ seconds: value, isCensored: true }));
        // Against the guess in twenty points, which is what it is weighed with.
        const points = usualSeconds(minutes, [...known, { seconds: 0.1, isCensored: true }]);
        expect(usualSeconds(minutes, [...known, ...censored])).toBeGreaterThanOrEqual(Math.min(before, points) - 1e-9);
      }),
    );
  });
});
