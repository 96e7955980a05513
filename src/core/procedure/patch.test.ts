import fc from 'fast-check';
import { applyPatch, readPath } from './patch';

const document = {
  name: 'a',
  list: [
    { id: 'x', tags: ['p', 'q'] },
    { id: 'y', tags: [] },
  ],
  deep: { one: 1 },
};

describe('applyPatch', () => {
  test('sets, adds, puts in and takes away, and leaves the rest and the old one as they were', () => {
    const before = JSON.stringify(document);
    const changed = applyPatch(document, [
      { path: ['name'], value: 'b' },
      { path: ['list', 0, 'tags', 2], value: 'r' },
      { path: ['list', 0, 'tags', 0], value: undefined },
      { path: ['list', 1], value: { id: 'z', tags: [] }, inserts: true },
      { path: ['deep', 'two'], value: 2 },
      { path: ['deep', 'one'], value: undefined },
    ]);
    expect(changed).toEqual({
      name: 'b',
      list: [
        { id: 'x', tags: ['q', 'r'] },
        { id: 'z', tags: [] },
        { id: 'y', tags: [] },
      ],
      deep: { two: 2 },
    });
    expect(JSON.stringify(document)).toBe(before);
  });

  test('what is not touched is shared', () => {
    const changed = applyPatch(document, [{ path: ['deep', 'one'], value: 3 }]);
    expect(changed.list).toBe(document.list);
  });

  test('a place that is not there is a mistake of the caller', () => {
    expect(() => applyPatch(document, [{ path: ['list', 7], value: 1 }])).toThrow(RangeError);
    expect(() => applyPatch(document, [{ path: ['name', 'first'], value: 1 }])).toThrow(RangeError);
  });

  test('the whole document is the empty path', () => {
    expect(applyPatch(document, [{ path: [], value: 4 }])).toBe(4);
    expect(readPath(document, ['list', 0, 'tags', 1])).toBe('q');
    expect(readPath(document, ['list', 9, 'tags'])).toBeUndefined();
  });

  test('setting a place to what stands there changes nothing', () => {
    const places = [['name'], ['list', 0], ['list', 0, 'tags'], ['list', 0, 'tags', 1], ['deep']] as const;
    fc.assert(
      fc.property(fc.constantFrom(...places), (path) => {
        expect(applyPatch(document, [{ path, value: readPath(document, path) }])).toEqual(document);
      }),
      { seed: 1 },
    );
  });
});
