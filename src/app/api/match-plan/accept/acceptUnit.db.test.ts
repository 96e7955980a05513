import { randomUUID } from 'node:crypto';
import type { Part, Unit } from '@/core/entities/entities';
import { planRows, type PlanRow } from '@/core/matching/planView';
import { stockGround } from '@/core/matching/stockGround';
import { plainTerms, stockProblem } from '@/core/matching/stockProblem';
import type { Person } from '@/core/people/roles';
import { newestModels } from '@/data/models/modelRepository';
import { partsAssignedTo, partsAt } from '@/data/parts/partRepository';
import { fromPart } from '@/data/parts/partRows';
import { currentRules } from '@/data/rules/houseRulesRepository';
import { findUnit, unitsAt } from '@/data/units/unitRepository';
import { fromUnit } from '@/data/units/unitRows';
import { readMatchStock } from '@/services/match/readMatchStock';
import { solveProblem } from '@/workers/match/solveProblem';
import { demoDay, demoScratch, somebody, type Scratch } from '../../../../../tests/support/scratch';
import { acceptUnit } from './acceptUnit';

let scratch: Scratch;
let lead: Person;
beforeAll(async () => {
  scratch = await demoScratch(demoDay);
  lead = await somebody(scratch.db, 'Plan L.', 'lead');
});
afterAll(() => scratch.drop());

/** The plan of the stock as it lies, with what somebody wishes. */
async function planNow(wishes: Partial<typeof plainTerms> = {}) {
  const [stock, rules] = await Promise.all([readMatchStock(scratch.db, demoDay), currentRules(scratch.db)]);
  const ground = stockGround(stock, plainTerms.purchaseDays, rules);
  const problem = stockProblem(ground, { ...plainTerms, ...wishes }, rules);
  const { plan, cents } = await solveProblem(problem, 20);
  if (!plan) throw new Error('no plan');
  return { ground, problem, cents, rows: planRows({ problem, proposed: ground.proposed }, plan, stock) };
}

const accept = ({ id, version, fate, proposed, fills, gives }: PlanRow) =>
  acceptUnit(
    scratch.db,
    lead,
    {
      ...{ id, version, fate, proposed: proposed ?? fate },
      fills: fills.filter(({ is }) => is === 'lot').map(({ slot, from }) => ({ slot, from })),
      gives: gives.flatMap(({ slot, to }) => (to ? [{ slot, for: to.tag }] : [])),
    },
    demoDay,
  );

/** The first donor that gives something to another unit, and that unit. */
function giving(rows: readonly PlanRow[]) {
  const donor = rows.find(({ gives }) => gives.some(({ to }) => to !== null));
  const gift = donor?.gives.find(({ to }) => to !== null);
  const taker = rows.find(({ tag }) => tag === gift?.to?.tag);
  if (!donor || !gift || !taker) throw new Error('no donor gives to another unit');
  return { donor, gift, taker };
}

test('what a donor gives is promised, kept to by the next plan, and set aside for its unit once it is there; twice is once', async () => {
  const { donor, gift, taker } = giving((await planNow()).rows);
  expect(await accept(donor)).toMatchObject({ ok: true, value: { promised: expect.any(Number) as number } });
  expect(await accept(donor)).toMatchObject({ ok: false, refusal: { reason: 'match-stale' } });
  const built = await accept(taker);
  expect(built).toMatchObject({ ok: true, value: { isReady: false } });
  const promising = (await findUnit(scratch.db, { id: donor.id })) as Unit;
  expect(promising.promised).toMatchObject({ [gift.slot]: taker.tag });

  const next = await planNow();
  expect(next.problem.keeps?.parts).toContainEqual({ from: donor.tag, part: gift.slot, tag: taker.tag });
  const again = next.rows.find(({ tag }) => tag === donor.tag);
  expect([again?.fate, again?.isNews]).toEqual(['donor', false]);
  expect(next.ground.lapsed).toEqual([]);
  // Whoever makes it anew gets no less.
  const { keeps: _, ...free } = next.problem;
  const anew = await solveProblem(free, 20);
  const weight = (next.problem.keeps?.eachCents ?? 0) * (next.problem.keeps?.fates.length ?? 0);
  expect(anew.cents).toBeGreaterThanOrEqual(next.cents);
  expect(anew.cents - next.cents).toBeLessThanOrEqual(weight + (next.problem.keeps?.eachCents ?? 0));

  // The donor is taken apart: its part lies on the shelf, kept for that unit.
  const [like] = await partsAt(scratch.db, ['shelf']);
  const model = (await newestModels(scratch.db)).find(({ id }) => id === promising.modelId);
  const part = model?.parts.find(({ id }) => id === gift.slot);
  const kept = { ...(like as Part), id: randomUUID(), tag: 'P-99001', unitId: donor.id, modelId: model?.id ?? '' };
  await scratch.db('parts').insert(
    fromPart({
      ...kept,
      ...{ partRef: gift.slot, interchange: part?.interchange ?? '', category: part?.category ?? 'display' },
      ...{ place: 'reserved', reservedFor: taker.tag, grade: 'B', carries: [] },
    }),
  );
  await scratch.db('units').where({ id: donor.id }).update({ stage: 'spent' });
  const then = await planNow();
  const row = then.rows.find(({ tag }) => tag === taker.tag) as PlanRow;
  expect(row.fills).toContainEqual(expect.objectContaining({ is: 'lot', from: 'kept P-99001', slot: gift.to?.slot }));
  expect(await accept(row)).toMatchObject({ ok: true, value: { isReady: true } });
  const assigned = await partsAssignedTo(scratch.db, [taker.id]);
  expect(assigned.map(({ tag }) => tag)).toContain('P-99001');
});

test('two parts that are bound to each other are set aside together, out of one unit', async () => {
  const [like] = await partsAt(scratch.db, ['shelf']);
  const wick = (await newestModels(scratch.db)).find(({ id }) => id === 'oddkin-wick');
  const [free] = (await unitsAt(scratch.db, ['triage'])).filter(({ modelId }) => modelId !== null);
  if (!like || !wick || !free) throw new Error('the demo has no such thing');
  const unit: Unit = {
    ...free,
    ...{
      id: randomUUID(),
      tag: 'U-9901',
      modelId: wick.id,
      modelVersion: wick.version,
      serial: null,
      marks: [],
      lineNo: null,
    },
    ...{ revision: wick.revisions[0]?.id ?? null, configuration: wick.configurations[0]?.id ?? null },
    variant: wick.variants[0]?.id ?? null,
    tests: { ...Object.fromEntries(wick.tests.map((test) => [test, 'sound' as const])), starts: 'fault' },
  };
  await scratch.db('units').insert(fromUnit(unit));
  const lying = (tag: string, partRef: string, unitId: string) => {
    const part = wick.parts.find(({ id }) => id === partRef);
    return fromPart({
      ...{ ...like, id: randomUUID(), tag, partRef, unitId, modelId: wick.id, grade: 'B', carries: [] },
      ...{ interchange: part?.interchange ?? '', category: part?.category ?? 'board', isDataCleared: true },
    });
  };
  // A board alone, older than the pair: it is worth nothing to anybody.
  await scratch
    .db('parts')
    .insert([
      lying('P-99002', 'board', randomUUID()),
      ...['P-99003', 'P-99004'].map((tag, at) => lying(tag, at === 0 ? 'sensor' : 'board', unit.parcelId)),
    ]);
  const { rows, problem } = await planNow({ wishes: [{ tag: unit.tag, fate: 'build', is: 'pinned' }] });
  expect(problem.lots.filter(({ of }) => of.includes('wick-board'))).toEqual([
    expect.objectContaining({ of: 'wick-board+wick-sensor', grade: 'B', count: 1 }),
  ]);
  const row = rows.find(({ tag }) => tag === unit.tag) as PlanRow;
  expect(row.fills.map(({ slot, is }) => [slot, is])).toContainEqual(['board+sensor', 'lot']);
  const done = await accept(row);
  expect(done).toMatchObject({ ok: true, value: { isDecided: true } });
  const own = await partsAssignedTo(scratch.db, [unit.id]);
  expect(own.map(({ tag }) => tag)).toEqual(expect.arrayContaining(['P-99003', 'P-99004']));
  expect(own.map(({ tag }) => tag)).not.toContain('P-99002');
});
