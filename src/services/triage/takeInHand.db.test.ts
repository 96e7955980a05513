import { randomUUID } from 'node:crypto';
import { holdsOfOthers } from '@/data/triage/holds';
import { scratchDatabase, somebody, type Scratch } from '../../../tests/support/scratch';
import { takeInHand } from './takeInHand';

let scratch: Scratch;
const now = new Date('2026-11-26T08:00:00Z');
const later = (minutes: number) => new Date(now.getTime() + minutes * 60_000);
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

describe('takeInHand', () => {
  test('of many who reach for one unit at once exactly one gets it, and keeps it', async () => {
    const people = await Promise.all(
      ['a', 'b', 'c', 'd', 'e', 'f'].map((name) => somebody(scratch.db, `${name} ${randomUUID().slice(0, 6)}`)),
    );
    for (let round = 0; round < 10; round += 1) {
      const unitId = randomUUID();
      const got = await Promise.all(people.map((person) => takeInHand(scratch.db, unitId, person, now)));
      expect(got.filter(Boolean)).toHaveLength(1);
      const winner = people[got.indexOf(true)] as (typeof people)[number];
      const loser = people[got.indexOf(false)] as (typeof people)[number];
      expect(await takeInHand(scratch.db, unitId, winner, later(1))).toBe(true);
      expect(await takeInHand(scratch.db, unitId, loser, later(2))).toBe(false);
      expect((await holdsOfOthers(scratch.db, loser.id, later(2)))[unitId]).toBe(winner.name);
      expect((await holdsOfOthers(scratch.db, winner.id, later(2)))[unitId]).toBeUndefined();
    }
  });

  test('what nobody renewed is free again', async () => {
    const [first, second] = [await somebody(scratch.db, 'Ann H.'), await somebody(scratch.db, 'Bea H.')];
    const unitId = randomUUID();
    expect(await takeInHand(scratch.db, unitId, first, now)).toBe(true);
    expect(await takeInHand(scratch.db, unitId, second, later(3))).toBe(true);
    expect(await takeInHand(scratch.db, unitId, first, later(4))).toBe(false);
    expect(await holdsOfOthers(scratch.db, first.id, later(10))).toEqual({});
  });
});
