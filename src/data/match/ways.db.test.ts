import type { KindWays } from '@/core/matching/kindWays';
import { scratchDatabase, type Scratch } from '../../../tests/support/scratch';
import { findWays, keepWays } from './wayRepository';

let scratch: Scratch;
beforeAll(async () => {
  scratch = await scratchDatabase();
});
afterAll(() => scratch.drop());

const hash = (at: number) => String(at).padStart(64, '0');
const ways: KindWays = { asIs: null, recycle: { cents: -40 }, builds: [], levels: [], proposed: 'recycle' };
const keep = (from: number, count: number, on: string, letGoBefore: string) =>
  keepWays(
    scratch.db,
    Array.from({ length: count }, (_, at) => [hash(from + at), ways] as const),
    { on, letGoBefore },
  );

test('what was worked out is found again, by whoever asks; two at once keep it once; what is old is let go', async () => {
  await Promise.all([keep(0, 450, '2026-11-01', '2026-10-20'), keep(200, 450, '2026-11-01', '2026-10-20')]);
  const found = await findWays(scratch.db, [hash(0), hash(449), hash(649), hash(650)]);
  expect([...found]).toEqual([0, 449, 649].map((at) => [hash(at), ways]));
  expect(await scratch.db('match_ways').count({ n: '*' }).first()).toEqual({ n: 650 });
  await keep(0, 3, '2026-11-20', '2026-11-06');
  expect(await scratch.db('match_ways').count({ n: '*' }).first()).toEqual({ n: 3 });
});
