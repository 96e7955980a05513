import { startingGradingRules } from '@/core/shared/gradingRules';
import { attributesOf } from '@/core/grading/attributes';
import { gradePart } from '@/core/grading/gradePart';
import { partCategories } from '@/core/procedure/vocabulary';
import { Chance } from '@/core/shared/chance';
import { inventReadings } from './readings';
import { Workday } from './workday';

describe('the demo’s source of chance', () => {
  test('is the same every time and spreads evenly', () => {
    const draw = (seed: number) => {
      const chance = new Chance(seed);
      return Array.from({ length: 2000 }, () => chance.next());
    };
    expect(draw(7)).toEqual(draw(7));
    expect(draw(7)).not.toEqual(draw(8));
    const mean = draw(7).reduce((sum, value) => sum + value, 0) / 2000;
    expect(Math.abs(mean - 0.5)).toBeLessThan(0.03);
  });

  test('makes ids that every check takes for a UUID of version 4', () => {
    const chance = new Chance(1);
    for (let at = 0; at < 50; at += 1)
      expect(chance.uuid()).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
  });

  test('invents readings that can be graded, in every category, good and bad ones', () => {
    const chance = new Chance(3);
    for (const category of partCategories) {
      const grades = new Set<string>();
      for (let at = 0; at < 200; at += 1) {
        const part = { category, interchange: 'any', findings: [] };
        const readings = inventReadings(part, chance);
        expect(Object.keys(readings)).toEqual(
          attributesOf(part, startingGradingRules).flatMap(({ id, isOptional }) => (isOptional ? [] : [id])),
        );
        const judged = gradePart(part, readings, startingGradingRules);
        expect(judged.ok).toBe(true);
        if (judged.ok) grades.add(judged.value.grade);
      }
      expect(grades.size).toBeGreaterThan(2);
    }
  });
});

describe('the demo’s clock', () => {
  test('runs in working hours on weekdays, never back and never past the present', () => {
    const present = new Date('2026-11-25T12:00:00Z');
    const clock = new Workday(new Date('2026-11-06T15:00:00Z'), present);
    let before = new Date(0);
    for (let at = 0; at < 400; at += 1) {
      const now = clock.pass(17);
      expect(now >= before && now <= present).toBe(true);
      if (now < present) {
        expect([0, 6]).not.toContain(now.getUTCDay());
        expect(now.getUTCHours() >= 8 && now.getUTCHours() * 60 + now.getUTCMinutes() <= 990).toBe(true);
      }
      before = now;
    }
    expect(before).toEqual(present);
  });
});
