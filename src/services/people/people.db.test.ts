import { randomUUID } from 'node:crypto';
import type { Outcome } from '@/core/shared/outcome';
import type { MemberDetails } from '@/core/people/roster';
import { currentRules } from '@/data/rules/houseRulesRepository';
import { changeRules } from '@/services/rules/changeRules';
import { scratchDatabase, somebody, type Scratch } from '../../../tests/support/scratch';
import type { Person } from '@/core/people/roles';
import { addPerson } from './addPerson';
import { changePerson } from './changePerson';
import { closeSession, closeSessionById } from './closeSession';
import { openSession } from './openSession';
import { readPeople } from './readPeople';
import { readSignedIn } from './readSignedIn';
import { readSignIn } from './readSignIn';
import { renewPin } from './renewPin';
import { saveBench } from './saveBench';
import { signIn, type TypedAt } from './signIn';

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
const here: TypedAt = { address: '10.0.0.7', device: null };
const enter = async (personId: string, pin: string, at = now, from = here) =>
  signIn(scratch.db, { personId, pin, bench: 'desk' }, from, at);

const open = async (person: Person, at = now) => (await openSession(scratch.db, person, '::1', at)).token;

describe('signing in', () => {
  test('PINs are hashed with Argon2id and never stored', async () => {
    const { id, pin } = accepted(await addPerson(scratch.db, { name: 'Imke R.', role: 'technician' }));
    const row = (await scratch.db('people').where({ id }).first()) as { pin_hash: string };
    expect(row.pin_hash).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
    expect(pin).toMatch(/^\d{6}$/);
    expect(await signIn(scratch.db, { personId: id, pin, bench: 'bench-1' }, here, now)).toMatchObject({
      ok: true,
      value: { id, role: 'technician', bench: 'bench-1' },
    });
  });

  test('wrong PINs slow down, then lock; the right one waits too, and opens after the pause', async () => {
    const { id } = accepted(await addPerson(scratch.db, { name: 'Oskar V.', role: 'lead', pin: '2580' }));
    const seconds = (n: number) => minutesLater(n / 60);
    for (const [at, left] of [
      [0, 4],
      [0, 3],
      [2, 2],
      [7, 1],
    ] as const)
      expect(await enter(id, '0000', seconds(at))).toMatchObject({
        refusal: { reason: 'pin-wrong', values: { left } },
      });
    // Too soon, and not looked at: the right one neither.
    for (const pin of ['0000', '2580'])
      expect(await enter(id, pin, seconds(8))).toMatchObject({
        refusal: { reason: 'pin-slow', values: { seconds: 9 } },
      });
    expect(await enter(id, '0000', seconds(17))).toMatchObject({
      refusal: { reason: 'pin-locked', values: { minutes: 5 } },
    });
    expect(await enter(id, '2580', minutesLater(3.2))).toMatchObject({
      refusal: { reason: 'pin-locked', values: { minutes: 3 } },
    });
    expect(await enter(id, '2580', minutesLater(6))).toMatchObject({ ok: true });
    expect(await enter(id, '0000', minutesLater(7))).toMatchObject({ refusal: { values: { left: 4 } } });
  });

  test('many wrong tries at once do not slip past the count', async () => {
    const { id } = accepted(await addPerson(scratch.db, { name: 'Petra L.', role: 'technician', pin: '1470' }));
    const answers = await Promise.all(Array.from({ length: 8 }, () => enter(id, '9999')));
    const reasons = answers.map((answer) => (answer.ok ? 'in' : answer.refusal.reason)).sort();
    expect(reasons).toEqual([...Array<string>(6).fill('pin-slow'), 'pin-wrong', 'pin-wrong']);
  });

  test('who guesses from elsewhere shuts out nobody who works here: 25 wrong PINs on five people', async () => {
    const people = await Promise.all(
      ['Aud', 'Bera', 'Cuno', 'Disa', 'Egil'].map(async (name) => ({
        ...accepted(await addPerson(scratch.db, { name, role: 'technician' })),
        device: name.padEnd(43, 'x'),
      })),
    );
    // Each has a browser in which they signed in before.
    for (const { id, pin, device } of people) accepted(await enter(id, pin, now, { address: '10.0.0.7', device }));
    const stranger: TypedAt = { address: '203.0.113.9', device: null };
    for (const { id } of people) for (const at of [0, 1, 2, 3, 4]) await enter(id, '0000', minutesLater(at), stranger);
    for (const { id, pin, device } of people) {
      expect(await enter(id, pin, minutesLater(4), stranger)).toMatchObject({ refusal: { reason: 'pin-locked' } });
      // In their own browser, even from the same address; and at another address without one.
      expect(await enter(id, pin, minutesLater(4), { address: stranger.address, device })).toMatchObject({ ok: true });
      expect(await enter(id, pin, minutesLater(4), here)).toMatchObject({ ok: true });
    }
  });

  test('from many addresses only so many wrong ones an hour are looked at; a browser that is known goes on', async () => {
    const { id, pin } = accepted(await addPerson(scratch.db, { name: 'Runa M.', role: 'lead' }));
    const device = 'r'.repeat(43);
    accepted(await enter(id, pin, now, { address: '10.0.0.7', device }));
    const from = (n: number): TypedAt => ({ address: `203.0.113.${n}`, device: 'f'.repeat(43) });
    for (let n = 0; n < 30; n += 1)
      expect(await enter(id, '0000', now, from(n))).toMatchObject({ refusal: { reason: 'pin-wrong' } });
    expect(await enter(id, pin, minutesLater(1), from(99))).toMatchObject({ refusal: { reason: 'pin-locked' } });
    expect(await enter(id, pin, minutesLater(1), { address: '203.0.113.99', device })).toMatchObject({ ok: true });
    expect(await enter(id, pin, minutesLater(62), from(99))).toMatchObject({ ok: true });
  });

  test('nobody and nowhere are refused', async () => {
    expect(await enter(randomUUID(), '1234')).toMatchObject({ refusal: { reason: 'not-found' } });
    expect(await signIn(scratch.db, { personId: randomUUID(), pin: '1234', bench: 'moon' }, here, now)).toMatchObject({
      refusal: { reason: 'bad-input' },
    });
  });
});

describe('a sign-in is a row of the server', () => {
  const hours = (n: number) => minutesLater(60 * n);
  let person: Person;
  beforeAll(async () => {
    const { id, pin } = accepted(await addPerson(scratch.db, { name: 'Signe B.', role: 'technician' }));
    person = accepted(await enter(id, pin));
  });

  test('of what the browser holds only a digest is kept', async () => {
    const token = await open(person);
    expect(token).toMatch(/^[\w-]{43}$/);
    const rows = JSON.stringify(await scratch.db('sessions').select('*'));
    expect(rows).not.toContain(token);
    expect(await readSignedIn(scratch.db, token, now)).toEqual(person);
    expect(await readSignedIn(scratch.db, `${token.slice(1)}x`, now)).toBeUndefined();
  });

  test('signing out ends it for every copy of what the browser holds', async () => {
    const [token, other] = [await open(person), await open(person)];
    await closeSession(scratch.db, token);
    await closeSession(scratch.db, token);
    expect(await readSignedIn(scratch.db, token, now)).toBeUndefined();
    expect(await readSignedIn(scratch.db, other, now)).toEqual(person);
  });

  test('a lead sees who is signed in where, and ends it', async () => {
    const token = await open(person);
    const { sessions } = await readPeople(scratch.db, now);
    const own = sessions.filter(({ name }) => name === 'Signe B.');
    expect(own[0]).toMatchObject({ bench: 'desk', address: '::1', beganAt: now.toISOString() });
    for (const { id } of own) expect(await closeSessionById(scratch.db, id)).toMatchObject({ ok: true });
    expect(await readSignedIn(scratch.db, token, now)).toBeUndefined();
    expect(await closeSessionById(scratch.db, own[0]?.id ?? '')).toMatchObject({ refusal: { reason: 'not-found' } });
  });

  test('four hours without a press end it; presses keep it up, what a screen asks by itself does not', async () => {
    const [idle, busy, asking] = [await open(person), await open(person), await open(person)];
    for (let at = 1; at <= 7; at += 1) {
      expect(await readSignedIn(scratch.db, busy, hours(at))).toEqual(person);
      const still = await readSignedIn(scratch.db, asking, hours(at), false);
      if (at < 4) expect(still).toEqual(person);
      else expect(still).toBeUndefined();
    }
    expect(await readSignedIn(scratch.db, idle, minutesLater(241))).toBeUndefined();
  });

  test('fourteen hours end the busiest', async () => {
    const token = await open(person);
    for (let at = 1; at < 14; at += 1) expect(await readSignedIn(scratch.db, token, hours(at))).toEqual(person);
    expect(await readSignedIn(scratch.db, token, minutesLater(14 * 60 - 1))).toEqual(person);
    expect(await readSignedIn(scratch.db, token, hours(14))).toBeUndefined();
    // What is over is taken away when somebody signs in.
    await open(person, hours(20));
    expect(await scratch.db('sessions').count({ n: '*' }).first()).toEqual({ n: 1 });
  });

  test('the house says how long', async () => {
    const rules = await currentRules(scratch.db);
    const lead = await somebody(scratch.db, 'Rule L.', 'lead');
    accepted(
      await changeRules(
        scratch.db,
        { ...rules, sessions: { idleMinutes: 10, longestHours: 1 } },
        { at: now, by: lead.id },
      ),
    );
    const token = await open(person);
    expect(await readSignedIn(scratch.db, token, minutesLater(9))).toEqual(person);
    expect(await readSignedIn(scratch.db, token, minutesLater(20))).toBeUndefined();
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
    const session = await open(accepted(await enter(id, pin)));
    expect(await readSignedIn(scratch.db, session, now)).toMatchObject({ name: 'Joris K.', bench: 'desk' });
    accepted(await changePerson(scratch.db, id, 1, details('Joris K.', { hasLeft: true }), made));
    expect(await readSignedIn(scratch.db, session, now)).toBeUndefined();
    expect(await enter(id, pin)).toMatchObject({ refusal: { reason: 'not-found' } });
    expect((await readSignIn(scratch.db)).people.map(({ name }) => name)).not.toContain('Joris K.');
    expect(await addPerson(scratch.db, { name: 'joris k.', role: 'viewer' }, made)).toMatchObject({
      refusal: { reason: 'name-taken' },
    });
    accepted(await changePerson(scratch.db, id, 2, details('Joris K.'), made));
    expect(await enter(id, pin)).toMatchObject({ ok: true });
    expect(await readSignedIn(scratch.db, session, now)).toBeUndefined();
  });

  test('a new PIN ends what the old one opened, and unlocks', async () => {
    const { id, pin } = accepted(await addPerson(scratch.db, { name: 'Ilka M.', role: 'technician' }, made));
    const session = await open(accepted(await enter(id, pin)));
    for (let tries = 0; tries < 5; tries += 1) await enter(id, '000000', minutesLater(tries));
    const renewed = accepted(await renewPin(scratch.db, id, made));
    expect(await readSignedIn(scratch.db, session, now)).toBeUndefined();
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
