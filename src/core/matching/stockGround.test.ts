import { inventStock } from '../../../scripts/support/inventStock';
import { shippedModels } from '../../../tests/support/models';
import { Chance } from '@/core/shared/chance';
import { startingHouseRules as rules } from '@/core/shared/houseRules';
import { stockGround } from './stockGround';
import { plainTerms, stockProblem } from './stockProblem';

const stock = inventStock(new Chance(4), shippedModels, 14, 800);
const ground = stockGround(stock, plainTerms.purchaseDays, rules);
const { ways: _, ...plain } = ground;

test('what was worked out before is taken as it is, and gives the same', () => {
  let asked = 0;
  const again = stockGround(stock, plainTerms.purchaseDays, rules, { known: ground.ways, onKind: () => (asked += 1) });
  const { ways, ...rest } = again;
  expect(rest).toEqual(plain);
  expect([...ways.keys()]).toEqual([...ground.ways.keys()]);
  expect(asked).toBe(ground.ways.size);
});

test('a class of which there is one more concerns the models that have it, and no other', () => {
  const [unit] = stock.units;
  const model = shippedModels.find(({ id }) => id === unit?.modelId);
  const of = model?.parts.find(({ interchange }) => stock.knowledge.known.market[interchange])?.interchange ?? '';
  const { known } = stock.knowledge;
  const market = { ...known.market, [of]: { stock: 99, usedPerMonth: 1 } };
  const changed = { ...stock, knowledge: { ...stock.knowledge, known: { ...known, market } } };
  const { ways } = stockGround(changed, plainTerms.purchaseDays, rules, { known: ground.ways });
  const concerned = new Set(
    shippedModels.filter(({ parts }) => parts.some(({ interchange }) => interchange === of)).map(({ id }) => id),
  );
  for (const key of ways.keys()) {
    const [modelId = ''] = JSON.parse(key.split('\n')[0] ?? '[]') as string[];
    expect([modelId, ground.ways.has(key)]).toEqual([modelId, !concerned.has(modelId)]);
  }
});

test('a part that has no price is not bought and is worth nothing; nobody is stopped by it', () => {
  const models = shippedModels.map((model) => ({
    ...model,
    parts: model.parts.map((part) => (part.category === 'battery' ? { ...part, valueCents: undefined } : part)),
  }));
  const unpriced = { ...stock, models: models as unknown as typeof stock.models };
  const { offers, lots, units } = stockGround(unpriced, plainTerms.purchaseDays, rules);
  const cells = new Set(
    shippedModels.flatMap(({ parts }) =>
      parts.filter(({ category }) => category === 'battery').map((own) => own.interchange),
    ),
  );
  expect(units.flatMap(({ tags }) => tags).length).toBe(stock.units.length);
  expect(offers.filter(({ of }) => cells.has(of))).toEqual([]);
  for (const lot of lots.filter(({ of }) => cells.has(of))) expect(lot.worthCents).toBe(0);
});

test('a serial that was reported lost is nobody’s to build, also where another unit is just like it', () => {
  const [unit] = stock.units;
  if (!unit) throw new Error('no unit');
  const twins = [
    { ...unit, tag: 'U-7001', serial: 'A-1' },
    { ...unit, tag: 'U-7002', serial: 'B-2' },
  ];
  const { units, proposed } = stockGround(
    { ...stock, units: twins, lost: new Set(['B2']) },
    plainTerms.purchaseDays,
    rules,
  );
  const groupOf = (tag: string) => units.find(({ tags }) => tags.includes(tag));
  expect(groupOf('U-7001')?.builds.length).toBeGreaterThan(0);
  expect(groupOf('U-7002')).toMatchObject({ tags: ['U-7002'], builds: [], levels: [], asIs: null, recycle: null });
  expect(proposed['U-7002']).toBe('quarantine');
});

test('hours of certified people and fixtures of the house run short by the day', () => {
  const house = { fixtures: { ...rules.fixtures, clamp: 2 } };
  const terms = { ...plainTerms, horizonDays: 5, handsMinutes: 600, certifiedMinutes: 90 };
  expect(stockProblem(ground, terms, house).resources).toEqual([
    { id: 'hands', minutes: 600 },
    { id: 'certified', minutes: 90 },
    { id: 'clamp', minutes: 2 * 5 * 8 * 60 },
  ]);
  const uses = ground.units.flatMap(({ builds, levels }) => [...builds, ...levels].map((way) => way.uses));
  expect(uses.some((own) => (own.clamp ?? 0) > 0 || (own['hot plate'] ?? 0) > 0)).toBe(true);
});
