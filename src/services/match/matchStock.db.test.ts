import { randomUUID } from 'node:crypto';
import { evaluate } from '@/core/matchPlan/evaluate';
import { unitByUnit } from '@/core/matchPlan/unitByUnit';
import { stockGround } from '@/core/matching/stockGround';
import { plainTerms, stockProblem } from '@/core/matching/stockProblem';
import { modelAmong, type Model } from '@/core/procedure/model';
import { predictSale } from '@/core/sale/predictSale';
import { neededParts } from '@/core/sale/slots';
import { knowledgeFor } from '@/core/triage/knowledge';
import { mustKeepApart, proposeDisposition } from '@/core/triage/proposeDisposition';
import { currentRules } from '@/data/rules/houseRulesRepository';
import { endOffer, insertOffer } from '@/data/orders/offerRepository';
import { closeOrder, openOrders } from '@/data/orders/orderRepository';
import { judgeDocument } from '@/files/matchProblemDocument';
import { planRows } from '@/core/matching/planView';
import { solveProblem } from '@/workers/match/solveProblem';
import { demoDay, demoScratch, type Scratch } from '../../../tests/support/scratch';
import { noteOrder } from '@/services/orders/noteOrder';
import { readMatchStock } from './readMatchStock';

let scratch: Scratch;
beforeAll(async () => {
  scratch = await demoScratch(demoDay);
});
afterAll(() => scratch.drop());

const stocked = async () => {
  const [stock, rules] = await Promise.all([readMatchStock(scratch.db, demoDay), currentRules(scratch.db)]);
  return { stock, rules, problem: stockProblem(stockGround(stock, plainTerms.purchaseDays, rules), plainTerms, rules) };
};

test('the problem of the live stock is one that the published schema takes, with every free unit once and the shelf as it lies', async () => {
  const { stock, problem } = await stocked();
  expect(judgeDocument(JSON.parse(JSON.stringify(problem)))).toMatchObject({ ok: true });
  const tags = problem.units.flatMap((group) => group.tags);
  expect(tags.toSorted()).toEqual(stock.units.map(({ tag }) => tag).toSorted());
  expect(tags.length).toBeGreaterThan(5);
  const lying = (await scratch.db('parts').where({ place: 'shelf' }).select('interchange', 'grade')) as {
    readonly interchange: string;
    readonly grade: string;
  }[];
  for (const of of new Set(problem.lots.map((lot) => lot.of)))
    for (const grade of ['A', 'B', 'C', 'D'])
      expect(
        problem.lots.filter((lot) => lot.of === of && lot.grade === grade).reduce((sum, lot) => sum + lot.count, 0),
      ).toBe(lying.filter((part) => part.interchange === of && part.grade === grade).length);
});

test('money is the one prediction’s: where a unit needs no part, and as a donor, it is what Triage says', async () => {
  const { stock, rules, problem } = await stocked();
  const noLack = { ...stock.knowledge, known: { ...stock.knowledge.known, lacking: {} } };
  let [builds, donors] = [0, 0];
  for (const unit of stock.units) {
    const model = modelAmong(stock.models, unit) as Model;
    const group = problem.units.find(({ tags }) => tags.includes(unit.tag));
    if (mustKeepApart(unit) || Object.keys(unit.assigned).length > 0) continue;
    const { valued } = proposeDisposition(model, unit, knowledgeFor(noLack, model.id), rules);
    const says = (disposition: string) => valued.find((own) => own.disposition === disposition);
    if (neededParts(model, unit).length === 0) {
      const { grade } = predictSale(model, unit, {}, rules);
      const build = group?.builds.find((own) => own.grade === grade);
      expect(build?.needs).toEqual([]);
      expect(Math.abs((build?.cents ?? 0) - (says('build')?.cents ?? 0))).toBeLessThan(2);
      builds += 1;
    }
    const [level] = group?.levels ?? [];
    if (!level || !says('donor')?.isPossible) continue;
    expect(Math.abs(level.cents - (says('donor')?.cents ?? 0))).toBeLessThan(3);
    donors += 1;
  }
  expect([builds > 0, donors > 3]).toEqual([true, true]);
});

test('the plan is proven, can be carried out, brings no less than going unit by unit, and is told row by row', async () => {
  const { stock, problem } = await stocked();
  const { plan, cents, isProven } = await solveProblem(problem, 20);
  if (!plan) throw new Error('no plan');
  expect([isProven, evaluate(problem, plan).faults]).toEqual([true, []]);
  expect(cents).toBeGreaterThanOrEqual(evaluate(problem, unitByUnit(problem)).cents);
  const rows = planRows({ problem, proposed: {} }, plan, stock);
  expect(rows.length).toBe(stock.units.length);
  // Without orders, minutes and falling prices the rows add up to the plan.
  expect(rows.reduce((sum, row) => sum + row.cents, 0)).toBe(cents);
  for (const { gives } of rows)
    for (const { to } of gives) if (to !== null) expect(rows.some(({ tag }) => tag === to.tag)).toBe(true);
});

test('an offer that is noted is what the plan buys by, with its price, its days and its number, until it is over', async () => {
  const { problem } = await stocked();
  const of = problem.units.flatMap(({ builds }) => builds.flatMap(({ needs }) => needs))[0]?.of ?? '';
  const id = randomUUID();
  const offer = {
    ...{ id, interchange: of, supplier: 'Quayside Parts', grade: 'A' as const, cents: 777 },
    ...{ most: 2, leadDays: 3, warrantyDays: 365 },
  };
  for (let times = 0; times < 2; times += 1) await insertOffer(scratch.db, offer, { at: demoDay, by: randomUUID() });
  const noted = (await stocked()).problem.offers.filter((own) => own.of === of);
  expect(noted).toEqual([
    expect.objectContaining({ of, grade: 'A', cents: 777, most: 2, leadDays: 3, warrantyDays: 365 }),
  ]);
  expect(await endOffer(scratch.db, id, demoDay)).toBe(true);
  expect(await endOffer(scratch.db, id, demoDay)).toBe(false);
  expect((await stocked()).problem.offers).toEqual(problem.offers);
});

test('an order is noted once, keeps its day, and is gone when it is done; one of a model that nobody knows is refused', async () => {
  const { stock } = await stocked();
  const { id: modelId = '', variants = [] } = stock.models[0] ?? {};
  const order = {
    ...{ id: randomUUID(), customer: 'Hotel Quay', modelId, variant: variants[0]?.id ?? null, atLeast: 'B' as const },
    ...{ count: 6, dueOn: '2026-12-24', extraCents: 250, missCents: 3000, isFirm: false },
  };
  const made = { at: demoDay, by: randomUUID() };
  for (let times = 0; times < 2; times += 1)
    expect(await noteOrder(scratch.db, order, made)).toEqual({ ok: true, value: null });
  expect(await openOrders(scratch.db)).toEqual([order]);
  const unknown = { ...order, id: randomUUID() };
  expect(await noteOrder(scratch.db, { ...unknown, modelId: 'no-such' }, made)).toMatchObject({ ok: false });
  expect(await noteOrder(scratch.db, { ...unknown, variant: 'no-such' }, made)).toMatchObject({ ok: false });
  expect(await closeOrder(scratch.db, order.id, demoDay)).toBe(true);
  expect(await openOrders(scratch.db)).toEqual([]);
});
