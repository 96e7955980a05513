import { randomUUID } from 'node:crypto';
import { scratchDatabase, type Scratch } from '../../../tests/support/scratch';
import { addPerson } from './addPerson';
import { signIn } from './signIn';

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

const now = new Date('2026-11-25T08:00:00Z');
const minutesLater = (minutes: number) => new Date(now.getTime() + minutes * 60_000);

describe('signing in', () => {
  test('PINs are hashed with Argon2id and never stored', async () => {
    const { id, pin } = await addPerson(scratch.db, { name: 'Imke R.', role: 'technician' });
    const row = (await scratch.db('people').where({ id }).first()) as { pin_hash: string };
    expect(row.pin_hash).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
    expect(pin).toMatch(/^\d{6}$/);
    expect(await signIn(scratch.db, { personId: id, pin, bench: 'bench-1' }, now)).toMatchObject({
      ok: true,
      value: { id, role: 'technician', bench: 'bench-1' },
    });
  });

  test('five wrong PINs lock, the right one then waits too, and opens after the pause', async () => {
    const { id } = await addPerson(scratch.db, { name: 'Oskar V.', role: 'lead', pin: '2580' });
    const attempt = (pin: string, at = now) => signIn(scratch.db, { personId: id, pin, bench: 'desk' }, at);
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
    const { id } = await addPerson(scratch.db, { name: 'Petra L.', role: 'technician', pin: '1470' });
    const answers = await Promise.all(
      Array.from({ length: 8 }, () => signIn(scratch.db, { personId: id, pin: '9999', bench: 'desk' }, now)),
    );
    expect(answers.filter((answer) => !answer.ok && answer.refusal.reason === 'pin-locked')).toHaveLength(4);
  });

  test('nobody and nowhere are refused', async () => {
    expect(await signIn(scratch.db, { personId: randomUUID(), pin: '1234', bench: 'desk' }, now)).toMatchObject({
      refusal: { reason: 'not-found' },
    });
    expect(await signIn(scratch.db, { personId: randomUUID(), pin: '1234', bench: 'moon' }, now)).toMatchObject({
      refusal: { reason: 'bad-input' },
    });
  });
});
