import fc from 'fast-check';
import { gradeRank, grades, worstGrade } from './grades';
import { formatTag, parseTag } from './tags';

describe('tags', () => {
  test.each([
    ['u-747', 'U-0747'],
    ['U0747', 'U-0747'],
    [' p 20418 ', 'P-20418'],
    ['S-12', 'S-0012'],
    ['U-123456', 'U-123456'],
  ])('%s is read as %s', (text, tag) => {
    expect(parseTag(text)?.tag).toBe(tag);
  });

  test.each(['', 'U-', 'U-0', 'X-12', 'U-12a', '747', 'U-0747; drop table'])('“%s” is no tag', (text) => {
    expect(parseTag(text)).toBeUndefined();
  });

  test('what is written is read again', () => {
    fc.assert(
      fc.property(fc.constantFrom('U', 'P', 'S'), fc.integer({ min: 1, max: 999_999_999 }), (letter, number) => {
        const tag = formatTag(letter as 'U', number);
        expect(parseTag(tag)).toEqual({ letter, tag });
      }),
    );
  });

  test('a number below one is no tag', () => {
    expect(() => formatTag('U', 0)).toThrow(RangeError);
  });
});

describe('worstGrade', () => {
  test('is the one with the highest rank; none is A', () => {
    expect(worstGrade([])).toBe('A');
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...grades), { minLength: 1 }), (given) => {
        expect(gradeRank(worstGrade(given))).toBe(Math.max(...given.map(gradeRank)));
      }),
    );
  });
});
