import fc from 'fast-check';
import { shopDay, shopDayStart } from './shopDay';

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

describe('shopDayStart', () => {
  test.each([
    ['2026-11-27', 'UTC', '2026-11-27T00:00:00.000Z'],
    ['2026-11-27', 'Pacific/Auckland', '2026-11-26T11:00:00.000Z'],
    ['2026-11-27', 'America/St_Johns', '2026-11-27T03:30:00.000Z'],
    // Clocks go forward at midnight there: the day begins at one.
    ['2026-03-29', 'Asia/Beirut', '2026-03-28T22:00:00.000Z'],
    // The day that the islands of Samoa never had.
    ['2011-12-30', 'Pacific/Apia', '2011-12-30T10:00:00.000Z'],
  ])('%s in %s begins at %s', (day, zone, start) => {
    expect(new Date(shopDayStart(day, zone)).toISOString()).toBe(start);
  });

  test('the instant before belongs to a day before, in every zone and season', () => {
    for (const zone of ['Europe/Lisbon', 'Pacific/Kiritimati', 'Pacific/Pago_Pago', 'Australia/Lord_Howe'])
      for (let day = Date.UTC(2026, 0, 1); day < Date.UTC(2027, 0, 1); day += 17 * 86_400_000) {
        const name = new Date(day).toISOString().slice(0, 10);
        const start = shopDayStart(name, zone);
        expect([shopDay(start, zone), shopDay(start - 1, zone) < name]).toEqual([name, true]);
      }
  });

  test('what is no day is refused', () => {
    expect(() => shopDayStart('yesterday', 'UTC')).toThrow(RangeError);
  });
});
