import fc from 'fast-check';
import type { Fact } from './facts';
import { clockPatienceMs, inShopTime, mostOffS } from './shopTime';

const now = new Date('2026-11-28T10:00:00.000Z');
const minute = 60_000;
const iso = (ms: number) => new Date(ms).toISOString();
const saidAt = (at: string, clockOffS?: number) =>
  ({ id: 'f', type: 'note-written', at, ...(clockOffS !== undefined && { clockOffS }) }) as unknown as Fact;

describe('a fact in the time of the shop', () => {
  test('a clock that is right, or nearly, changes nothing', () => {
    for (const apart of [0, 30_000, -30_000, clockPatienceMs, -clockPatienceMs]) {
      const fact = saidAt(iso(now.getTime() + apart - 5 * minute));
      expect(inShopTime(fact, iso(now.getTime() + apart), now)).toBe(fact);
    }
  });

  test('twelve minutes ahead: what waited five minutes happened five minutes ago, and says so', () => {
    const said = saidAt(iso(now.getTime() + 7 * minute));
    expect(inShopTime(said, iso(now.getTime() + 12 * minute), now)).toMatchObject({
      at: iso(now.getTime() - 5 * minute),
      clockOffS: 720,
    });
  });

  test('a clock that stands at the year 2000 is behind, and what it says is from today', () => {
    const there = Date.parse('2000-01-01T00:10:00Z');
    const right = inShopTime(saidAt(iso(there - minute)), iso(there), now);
    expect(right).toMatchObject({ at: iso(now.getTime() - minute) });
    expect(right.clockOffS).toBeLessThan(0);
  });

  test('of a sender that does not say its time, what cannot have happened yet happened now', () => {
    expect(inShopTime(saidAt('2099-01-01T00:00:00Z'), undefined, now)).toMatchObject({
      at: now.toISOString(),
      clockOffS: mostOffS,
    });
  });

  test('what the sender put right already is counted in', () => {
    expect(inShopTime(saidAt(iso(now.getTime() + 10 * minute), 100), undefined, now).clockOffS).toBe(700);
  });

  test('however wrong a clock is: order is kept, waits are kept, and nothing lies ahead', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -400 * 24 * 60, max: 400 * 24 * 60 }),
        fc.array(fc.integer({ min: 0, max: 600 }), { minLength: 1, maxLength: 6 }),
        (wrongMinutes, agoMinutes) => {
          const sent = now.getTime() + wrongMinutes * minute;
          for (const ago of agoMinutes) {
            const { at, clockOffS = 0 } = inShopTime(saidAt(iso(sent - ago * minute)), iso(sent), now);
            const truth = now.getTime() - ago * minute;
            expect(Math.abs(Date.parse(at) - truth)).toBeLessThanOrEqual(clockPatienceMs);
            expect(Date.parse(at) + clockOffS * 1000).toBe(sent - ago * minute);
          }
        },
      ),
    );
  });
});
