import { scratchDatabase, type Scratch } from '../../tests/support/scratch';
import { accept, refuse } from '@/core/shared/outcome';
import { takeNumbers } from './counters';
import { isDatabaseAway } from './errors';
import { connect } from './connection';
import { transaction } from './transaction';

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

const counter = async () => ((await scratch.db('counters').where({ name: 'part-tag' }).first('n')) as { n: number }).n;

describe('transaction', () => {
  test('a refusal rolls back and comes out as it is', async () => {
    const before = await counter();
    const outcome = await transaction(scratch.db, async (trx) => {
      await takeNumbers(trx, 'part-tag', 3);
      return refuse('part-taken', { tag: 'P-1' });
    });
    expect(outcome).toEqual({ ok: false, refusal: { reason: 'part-taken', values: { tag: 'P-1' } } });
    expect(await counter()).toBe(before);
  });

  test('two that lock each other out both get through', async () => {
    const cross = (first: string, second: string) =>
      transaction(scratch.db, async (trx) => {
        await trx('counters').where({ name: first }).increment('n', 1);
        await new Promise((done) => setTimeout(done, 80));
        await trx('counters').where({ name: second }).increment('n', 1);
        return accept(true);
      });
    const before = await counter();
    expect(await Promise.all([cross('part-tag', 'unit-tag'), cross('unit-tag', 'part-tag')])).toEqual([
      accept(true),
      accept(true),
    ]);
    expect(await counter()).toBe(before + 2);
  });

  test('a fault is thrown on', async () => {
    await expect(transaction(scratch.db, () => Promise.reject(new Error('broken')))).rejects.toThrow('broken');
  });

  test('numbers have no gaps, whoever takes them and whatever rolls back', async () => {
    const before = await counter();
    const taken = await Promise.all(
      Array.from({ length: 30 }, (_, at) =>
        transaction(scratch.db, async (trx) => {
          const first = await takeNumbers(trx, 'part-tag', 2);
          return at % 5 === 0 ? refuse('fault') : accept([first, first + 1]);
        }),
      ),
    );
    const numbers = taken.flatMap((outcome) => (outcome.ok ? outcome.value : [])).sort((a, b) => a - b);
    expect(numbers).toEqual(Array.from({ length: 48 }, (_, at) => before + 1 + at));
  });
});

describe('a database that does not answer', () => {
  test('is told from a fault', async () => {
    const nowhere = connect({ socketPath: '/nowhere/db.sock', user: 'x', database: 'x' });
    const error = await nowhere('counters').then(
      () => null,
      (reason: unknown) => reason,
    );
    await nowhere.destroy();
    expect(isDatabaseAway(error)).toBe(true);
    const wrong = await scratch.db('no_such_table').then(
      () => null,
      (reason: unknown) => reason,
    );
    expect(isDatabaseAway(wrong)).toBe(false);
  });
});
