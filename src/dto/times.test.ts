import { isDay, isInstant } from './times';

test.each([
  ['2026-11-28', true],
  ['2024-02-29', true],
  ['2026-02-29', false],
  ['2026-04-31', false],
  ['2026-13-01', false],
  ['2026-W48-6', false],
  ['2026-332', false],
  ['20261128', false],
  ['1000-01-01', false],
  ['2100-01-01', false],
  ['2026-11-28T00:00:00Z', false],
  ['２０２６-11-28', false],
  [20261128, false],
  [null, false],
])('%j is a day: %s', (value, is) => {
  expect(isDay(value)).toBe(is);
});

test.each([
  ['2026-11-28T09:05:00Z', true],
  ['2026-11-28T09:05:00.123Z', true],
  ['2026-11-28T09:05:00+14:00', true],
  ['2026-11-28T24:05:00Z', false],
  ['2026-02-30T09:05:00Z', false],
  ['2026-11-28T09:05Z', false],
  ['2026-11-28T09:05:00', false],
  ['2026-11-28 09:05:00Z', false],
  ['20261128T090500Z', false],
  ['2026-W48-6T09:05:00Z', false],
  ['1000-01-01T00:00:00Z', false],
  ['2100-01-01T00:00:00Z', false],
  [Date.now(), false],
])('%j is a moment: %s', (value, is) => {
  expect(isInstant(value)).toBe(is);
});
