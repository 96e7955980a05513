import { randomUUID } from 'node:crypto';
import type { Outcome } from '@/core/shared/outcome';
import type { MemberDetails } from '@/core/people/roster';
import { scratchDatabase, somebody, type Scratch } from '../../../tests/support/scratch';
import { addPerson } from './addPerson';
import { changePerson } from './changePerson';
import { readPeople } from './readPeople';
import { readSignedIn } from './readSignedIn';
import { readSignIn } from './readSignIn';
import { renewPin } from './renewPin';
import { saveBench } from './saveBench';
import { signIn } from './signIn';

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

const now = new Date('2026-11-25T08:00:00Z');
const minutesLater = (minutes: number) => new Date(now.getTime() + minutes * 60_000);
function accepted<T>(outcome: Outcome<T>): T {
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.refusal));
  return outcome.value;
}
const enter = async (personId: string, pin: string, at = now) =>
  signIn(scratch.db, { personId, pin, bench: 'desk' }, at);

describe('signing in', () => {
  test('PINs are hashed with Argon2id and never stored', async () => {
    const { id, pin } = accepted(await addPerson(scratch.db, { name: 'Imke R.', role: 'technician' }));
    const row = (await scratch.db('people').where({ id }).first()) as { pin_hash: string };
    expect(row.pin_hash).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
    expect(pin).toMatch(/^\d{6}$/);
    expect(await signIn(scratch.db, { personId: id, pin, bench: 'bench-1' }, now)).toMatchObject({
      ok: true,
      value: { id, role: 'technician', bench: 'bench-1' },
    });
  });

  test('five wrong PINs lock, the right one then waits too, and opens after the pause', async () => {
    const { id } = accepted(await addPerson(scratch.db, { name: 'Oskar V.', role: 'lead', pin: '2580' }));
    const attempt = (pin: string, at = now) => enter(id, pin, at);
    for (const left of [4, 3, 2, 1])
      expect(await attempt('0000')).toMatchObject({ refusal: { reason: 'pin-wrong', values: { left } } });
    expect(await attempt('0000')).toMatchObject({ refusal: { reason: 'pin-locked', values: { minutes: 5 } } });
    expect(await attempt('2580', minutesLater(3))).toMatchObject({
      refusal: { reason: 'pin-locked', values: { minutes: 2 } },
    });
    expect(await attempt('2580', minutesLater(6))).toMatchObject({ ok: true });
    expect(await attempt('0000', minutesLater(7))).toMatchObject({ refusal: { values: { left: 4 } } });
  });

  test('many wrong tries at once do not slip past the count', async () => {
    const { id } = accepted(await addPerson(scratch.db, { name: 'Petra L.', role: 'technician', pin: '1470' }));
    const answers = await Promise.all(Array.from({ length: 8 }, () => enter(id, '9999')));
    expect(answers.filter((answer) => !answer.ok && answer.refusal.reason === 'pin-locked')).toHaveLength(4);
  });

  test('nobody and nowhere are refused', async () => {
    expect(await enter(randomUUID(), '1234')).toMatchObject({ refusal: { reason: 'not-found' } });
    expect(await signIn(scratch.db, { personId: randomUUID(), pin: '1234', bench: 'moon' }, now)).toMatchObject({
      refusal: { reason: 'bad-input' },
    });
  });
});

describe('the roster as leads change it', () => {
  const made = { at: now, by: '' };
  const details = (name: string, more: Partial<MemberDetails> = {}): MemberDetails => ({
    name,
    role: 'technician',
    usualBench: null,
    certifiedUntil: null,
    hasLeft: false,
    ...more,
  });
  beforeAll(async () => {
    made.by = (await somebody(scratch.db, 'Sunniva T.', 'lead')).id;
  });

  test('who leaves is out at once and signs in no more; their name stays theirs; they can come back', async () => {
    const { id, pin } = accepted(await addPerson(scratch.db, { name: 'Joris K.', role: 'technician' }, made));
    const { epoch } = accepted(await enter(id, pin));
    const session = { personId: id, bench: 'desk', epoch };
    expect(await readSignedIn(scratch.db, session)).toMatchObject({ name: 'Joris K.', bench: 'desk' });
    accepted(await changePerson(scratch.db, id, 1, details('Joris K.', { hasLeft: true }), made));
    expect(await readSignedIn(scratch.db, session)).toBeUndefined();
    expect(await enter(id, pin)).toMatchObject({ refusal: { reason: 'not-found' } });
    expect((await readSignIn(scratch.db)).people.map(({ name }) => name)).not.toContain('Joris K.');
    expect(await addPerson(scratch.db, { name: 'joris k.', role: 'viewer' }, made)).toMatchObject({
      refusal: { reason: 'name-taken' },
    });
    accepted(await changePerson(scratch.db, id, 2, details('Joris K.'), made));
    expect(await enter(id, pin)).toMatchObject({ ok: true });
    expect(await readSignedIn(scratch.db, session)).toBeUndefined();
  });

  test('a new PIN ends what the old one opened, and unlocks', async () => {
    const { id, pin } = accepted(await addPerson(scratch.db, { name: 'Ilka M.', role: 'technician' }, made));
    const { epoch } = accepted(await enter(id, pin));
    for (let tries = 0; tries < 5; tries += 1) await enter(id, '000000');
    const renewed = accepted(await renewPin(scratch.db, id, made));
    expect(await readSignedIn(scratch.db, { personId: id, bench: 'desk', epoch })).toBeUndefined();
    expect(await enter(id, pin)).toMatchObject({ refusal: { reason: 'pin-wrong' } });
    expect(await enter(id, renewed.pin)).toMatchObject({ ok: true });
    expect(await renewPin(scratch.db, randomUUID(), made)).toMatchObject({ refusal: { reason: 'not-found' } });
  });

  test('two leads at once: the second is told; the same change twice is one', async () => {
    const { id } = accepted(await addPerson(scratch.db, { name: 'Runa S.', role: 'technician' }, made));
    const lead = details('Runa S.', { role: 'lead', usualBench: 'bench-2', certifiedUntil: '2027-03-31' });
    expect(await changePerson(scratch.db, id, 1, lead, made)).toEqual({ ok: true, value: { version: 2 } });
    expect(await changePerson(scratch.db, id, 1, lead, made)).toEqual({ ok: true, value: { version: 2 } });
    expect(await changePerson(scratch.db, id, 1, details('Runa S.', { role: 'viewer' }), made)).toMatchObject({
      refusal: { reason: 'person-stale', values: { name: 'Runa S.' } },
    });
    const [change] = (await readPeople(scratch.db, now)).changes;
    expect(change).toMatchObject({
      kind: 'person-changed',
      about: 'Runa S.',
      by: 'Sunniva T.',
      fields: [
        { field: 'role', from: 'technician', to: 'lead' },
        { field: 'usualBench', from: null, to: 'bench-2' },
        { field: 'certifiedUntil', from: null, to: '2027-03-31' },
      ],
    });
  });

  test('two leads cannot take each other out at the same moment', async () => {
    const own = await scratchDatabase();
    try {
      const [a, b] = [await somebody(own.db, 'A', 'lead'), await somebody(own.db, 'B', 'lead')];
      const outcomes = await Promise.all(
        [a, b].map(({ id, name }, at) =>
          changePerson(own.db, id, 1, details(name, { role: 'viewer' }), { at: now, by: [b, a][at]?.id ?? '' }),
        ),
      );
      expect(outcomes.filter(({ ok }) => ok)).toHaveLength(1);
      expect(outcomes.find(({ ok }) => !ok)).toMatchObject({ refusal: { reason: 'last-lead' } });
    } finally {
      await own.drop();
    }
  });

  test('benches are added, named and taken out of use; the last one stays', async () => {
    const heat = accepted(await saveBench(scratch.db, null, { name: 'Heat bench', isInUse: true }, made));
    expect(heat).toEqual({ id: 'heat-bench', name: 'Heat bench', isInUse: true });
    expect(await saveBench(scratch.db, null, { name: 'heat bench', isInUse: true }, made)).toMatchObject({
      refusal: { reason: 'name-taken' },
    });
    for (const { id, name } of (await readPeople(scratch.db, now)).benches)
      if (id !== heat.id) accepted(await saveBench(scratch.db, id, { name, isInUse: false }, made));
    expect((await readSignIn(scratch.db)).benches).toEqual([{ id: 'heat-bench', name: 'Heat bench' }]);
    expect(await saveBench(scratch.db, heat.id, { name: 'Heat', isInUse: false }, made)).toMatchObject({
      refusal: { reason: 'last-bench' },
    });
    expect(await saveBench(scratch.db, 'moon', { name: 'Moon', isInUse: true }, made)).toMatchObject({
      refusal: { reason: 'not-found' },
    });
  });
});
