import fc from 'fast-check';
import { shopDay } from './shopDay';

describe('shopDay', () => {
  test.each([
    ['2026-11-26T23:30:00Z', 'UTC', '2026-11-26'],
    ['2026-11-26T23:30:00Z', 'Europe/Berlin', '2026-11-27'],
    ['2026-11-26T03:30:00Z', 'America/New_York', '2026-11-25'],
    // The night in which the clocks go back has twenty-five hours and one date.
    ['2026-10-25T00:30:00Z', 'Europe/Berlin', '2026-10-25'],
    ['2026-10-25T22:59:00Z', 'Europe/Berlin', '2026-10-25'],
    ['2026-10-25T23:01:00Z', 'Europe/Berlin', '2026-10-26'],
  ])('%s in %s is %s', (instant, zone, day) => {
    expect(shopDay(instant, zone)).toBe(day);
    expect(shopDay(Date.parse(instant), zone)).toBe(day);
  });

  test('never goes back while time goes on, and in UTC is the date of the instant', () => {
    const instants = fc.integer({ min: 0, max: 4e12 });
    fc.assert(
      fc.property(instants, instants, fc.constantFrom('UTC', 'Europe/Dublin', 'Asia/Tokyo'), (a, b, zone) => {
        const [early, late] = [Math.min(a, b), Math.max(a, b)];
        expect(shopDay(early, zone) <= shopDay(late, zone)).toBe(true);
        expect(shopDay(a, 'UTC')).toBe(new Date(a).toISOString().slice(0, 10));
      }),
      { seed: 2026 },
    );
  });

  test('a zone that is none is refused', () => {
    expect(() => shopDay(0, 'Saltreach')).toThrow(RangeError);
  });
});
