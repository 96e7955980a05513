import { randomUUID } from 'node:crypto';
import { handset } from '../../../tests/support/models';
import type { Person } from '@/core/people/roles';
import type { FactType, Payloads } from '@/core/shop/facts';
import { wordedFact } from '@/core/shop/makeFact';
import { recordFact } from '@/services/facts/recordFact';
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

  test('a unit that leaves triage is in nobody’s hand, nor when it comes back', async () => {
    const [ann, bea] = [await somebody(scratch.db, 'Ann T.'), await somebody(scratch.db, 'Bea T.')];
    const [parcelId, unitId] = [randomUUID(), randomUUID()];
    const versions = new Map<string, number>();
    const act = async <T extends FactType>(person: Person, type: T, subjectId: string, payload: Payloads[T]) => {
      const fact = wordedFact<FactType>(
        { type, subjectId, payload },
        { id: randomUUID(), expects: versions.get(subjectId) ?? null, at: now.toISOString() },
      );
      const outcome = await recordFact(scratch.db, person, fact, now);
      if (!outcome.ok) throw new Error(`${type}: ${outcome.refusal.reason}`);
      for (const { id, after } of outcome.value.results) if (after) versions.set(id, after.version);
    };
    const about = { supplier: 'Ferry', pricePaidCents: 1, transportCents: 0, receivedOn: '2026-11-26' } as const;
    await act(ann, 'parcel-made', parcelId, { code: 'Lot of holds', ...about });
    await act(ann, 'unit-tagged', unitId, { parcelId, lineNo: null });
    await act(ann, 'unit-identified', unitId, {
      modelId: handset.id,
      modelVersion: handset.version,
      revision: handset.revisions[0]?.id ?? '',
      configuration: handset.configurations[0]?.id ?? '',
      variant: handset.variants[0]?.id ?? '',
      serial: unitId,
    });
    const heldFor = async (person: Person) => (await holdsOfOthers(scratch.db, person.id, now))[unitId];
    await takeInHand(scratch.db, unitId, ann, now);
    await act(ann, 'test-noted', unitId, { test: 'starts', result: 'sound' });
    expect(await heldFor(bea)).toBe('Ann T.');
    await act(ann, 'unit-decided', unitId, { disposition: 'donor', proposed: 'donor', apartPlace: null, weighed: [] });
    expect(await heldFor(bea)).toBeUndefined();
    // Called back by somebody else at once: it is theirs to look at.
    await act(bea, 'unit-recalled', unitId, { because: 'Wrong box' });
    expect(await heldFor(bea)).toBeUndefined();
    expect(await takeInHand(scratch.db, unitId, bea, now)).toBe(true);
  });
});
