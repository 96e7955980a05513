import fc from 'fast-check';
import { keepChoice } from './choice';

const none = { id: undefined, place: 0 };

describe('what is chosen of a list', () => {
  test('the first, until something else is', () => {
    expect(keepChoice(['a', 'b'], none)).toEqual({ id: 'a', place: 0 });
    expect(keepChoice([], none)).toEqual(none);
  });

  test('what was come upon by itself stays when another comes in before it', () => {
    const first = keepChoice(['b', 'c'], none);
    expect(keepChoice(['a', 'b', 'c'], first)).toEqual({ id: 'b', place: 1 });
  });

  test('when it goes, the one that took its place; at the end the last', () => {
    expect(keepChoice(['a', 'c'], { id: 'b', place: 1 })).toEqual({ id: 'c', place: 1 });
    expect(keepChoice(['a'], { id: 'b', place: 1 })).toEqual({ id: 'a', place: 0 });
    expect(keepChoice([], { id: 'b', place: 1 })).toEqual({ id: undefined, place: 0 });
  });

  test('as long as it is there nothing that comes or goes moves it', () => {
    const lists = fc.array(fc.uniqueArray(fc.constantFrom('a', 'b', 'c', 'd', 'e')), { minLength: 1 });
    fc.assert(
      fc.property(lists, (all) => {
        let kept = keepChoice(['x'], none);
        for (const ids of all) {
          kept = keepChoice([...ids.slice(0, 2), 'x', ...ids.slice(2)], kept);
          expect(kept.id).toBe('x');
        }
      }),
    );
  });
});
