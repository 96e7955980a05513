import { rowKeys } from './rowKeys';

test('every row has a key of its own, as far as there are any, and none that the screen uses otherwise', () => {
  const keys = rowKeys('ou');
  expect(keys).toHaveLength(9 + 26 - 2);
  expect(new Set(keys).size).toBe(keys.length);
  expect(keys.slice(0, 11)).toEqual([...'123456789ab']);
  expect(keys).not.toContain('o');
  expect(keys[17]).toBe('i');
  expect(keys[100]).toBeUndefined();
});
