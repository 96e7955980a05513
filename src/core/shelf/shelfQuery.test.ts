import fc from 'fast-check';
import { partCategories } from '@/core/procedure/vocabulary';
import { grades } from '@/core/shared/grades';
import { plainQuery, readShelfQuery, shelfAddress, shelfPlaces, shelfSorts } from './shelfQuery';

const read = (address: string) => readShelfQuery(Object.fromEntries(new URLSearchParams(address)));

test('a view is what its address says, and its address says what differs from the plain one', () => {
  const views = fc.record({
    place: fc.constantFrom(...shelfPlaces),
    words: fc.string({ maxLength: 30 }).map((words) => words.trim()),
    category: fc.option(fc.constantFrom(...partCategories)),
    grade: fc.option(fc.constantFrom(...grades)),
    fits: fc.option(fc.stringMatching(/^[a-z-]{1,20}$/)),
    bin: fc.option(fc.stringMatching(/^[A-Z]{1,2}(\d{2})?$/)),
    sort: fc.constantFrom(...shelfSorts),
    isDown: fc.boolean(),
  });
  fc.assert(fc.property(views, (view) => expect(read(shelfAddress(view))).toEqual(view)));
  expect(shelfAddress(plainQuery)).toBe('');
});

test('an address that means nothing is the plain view', () => {
  const said = {
    show: 'attic',
    kind: 'sofa',
    grade: 'Z',
    by: 'colour',
    bin: 'A1; drop',
    fits: 'x'.repeat(61),
    down: 'yes',
  };
  expect(readShelfQuery(said)).toEqual(plainQuery);
  const cut = readShelfQuery({ q: `${'w'.repeat(79)}😀` });
  expect(cut.words).toBe('w'.repeat(79));
  expect(read(shelfAddress({ ...cut, words: 'größer & 5 % 😀' })).words).toBe('größer & 5 % 😀');
  expect(readShelfQuery({ bin: ' b07 ', q: ` ${'w'.repeat(99)}` })).toMatchObject({
    bin: 'B07',
    words: 'w'.repeat(80),
  });
});
