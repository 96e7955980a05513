import fc from 'fast-check';
import { Chance } from '@/core/shared/chance';
import { shippedModels } from '../../../tests/support/models';
import { reorderLine } from './reorderLine';
import { afterWord, newRecord, onHand, type SupplyRecord, type SupplyWord } from './stockOf';
import { suppliesOf, usesOf } from './supplies';
import { usedByDay } from './usedByDay';

const tally = (modelId: string, about: string, more: string, count: number) =>
  ({ kind: 'closed', modelId, parcelId: '', about, more, count, good: 0 }) as const;

describe('what sheets use up', () => {
  test('a supply is one thing in all models; what a step uses is in the list of all', () => {
    const all = suppliesOf(shippedModels);
    expect(new Set(all.map(({ supply }) => supply.key)).size).toBe(all.length);
    for (const model of shippedModels)
      for (const { supply, count } of [...usesOf(model).back.values(), ...usesOf(model).spare.values()].flat()) {
        expect(count).toBeGreaterThan(0);
        expect(all.find((own) => own.supply.key === supply.key)?.modelIds).toContain(model.id);
      }
  });

  test('use by day is the uses of every step times how often it was done, day by day', () => {
    const model = shippedModels.find(({ operations }) =>
      operations.some(({ back }) => (back?.consumables.length ?? 0) > 0),
    );
    const operation = model?.operations.find(({ back }) => (back?.consumables.length ?? 0) > 0);
    const [consumable] = operation?.back?.consumables ?? [];
    const id = model?.id ?? '';
    const used = usedByDay(shippedModels, {
      closed: [
        tally(id, operation?.id ?? '', '2026-11-02', 3),
        tally(id, operation?.id ?? '', '2026-11-03', 2),
        tally(id, 'gone', '2026-11-03', 9),
      ],
      screwed: [],
    });
    expect(used.get(`consumable ${consumable?.name as string}`)).toEqual(
      new Map([
        ['2026-11-02', 3 * (consumable?.count ?? 0)],
        ['2026-11-03', 2 * (consumable?.count ?? 0)],
      ]),
    );
  });

  test('a spare is of the kind of which the step has most', () => {
    const model = shippedModels.find(({ id }) => id === 'marrowby-slate-quay');
    const [step, spares] = [...usesOf(model as never).spare].find(([, own]) => own.length > 1) ?? [];
    expect(spares?.[0]?.count).toBe(Math.max(...(spares ?? []).map(({ count }) => count)));
    const used = usedByDay(shippedModels, {
      closed: [],
      screwed: [tally('marrowby-slate-quay', `out:${step}`, '2026-11-02', 2)],
    });
    expect([...used]).toEqual([[spares?.[0]?.supply.key, new Map([['2026-11-02', 2]])]]);
  });
});

describe('the line at which one orders', () => {
  test('no use, no line; more use, longer waits and larger uses never lower it', () => {
    expect(reorderLine(0, 1, 56, 7).line).toBe(0);
    const nat = fc.integer({ min: 1, max: 60 });
    fc.assert(
      fc.property(nat, nat, (used, lead) => {
        const line = reorderLine(used, 1, 56, lead);
        expect(line.line).toBeGreaterThanOrEqual(Math.floor(line.expected));
        expect(reorderLine(used + 1, 1, 56, lead).line).toBeGreaterThanOrEqual(line.line);
        expect(reorderLine(used, 1, 56, lead + 1).line).toBeGreaterThanOrEqual(line.line);
      }),
    );
  });

  test('in shops whose pace nobody knows it lasts until the order comes in 95 of 100, told by simulation', () => {
    const chance = new Chance(18);
    const poisson = (mean: number) => {
      let [count, product] = [0, chance.between(0, 1)];
      for (const least = Math.exp(-mean); product > least; product *= chance.between(0, 1)) count += 1;
      return count;
    };
    let [lasted, shops] = [0, 0];
    while (shops < 4000) {
      const perDay = chance.between(0.05, 0.6);
      const used = poisson(perDay * 56);
      if (used === 0) continue;
      shops += 1;
      if (poisson(perDay * 10) <= reorderLine(used, 1, 56, 10).line) lasted += 1;
    }
    expect(lasted / shops).toBeGreaterThan(0.94);
    expect(lasted / shops).toBeLessThan(0.99);
  });
});

describe('how many there are', () => {
  const word = fc.oneof(
    fc.record({ says: fc.constant('counted' as const), count: fc.nat(50), because: fc.constant('test') }),
    fc.record({ says: fc.constant('received' as const), count: fc.nat(50) }),
    fc.record({ says: fc.constant('lead' as const), days: fc.nat(30) }),
  );

  test('is what a plain book of comings and goings says, after any words and uses', () => {
    fc.assert(
      fc.property(
        fc.array(fc.oneof(word, fc.record({ says: fc.constant('used' as const), count: fc.nat(5) }))),
        (course) => {
          let record = newRecord('glue');
          let [book, used]: [number | null, number] = [null, 0];
          for (const step of course) {
            if (step.says === 'used') {
              used += step.count;
              book = book === null ? null : book - step.count;
              continue;
            }
            const after = afterWord(record, record.version, step as SupplyWord, used, '2026-11-29T00:00:00.000Z');
            if (step.says === 'received' && book === null) {
              expect(after).toMatchObject({ ok: false, refusal: { reason: 'count-first' } });
              continue;
            }
            if (step.says === 'counted') book = step.count;
            if (step.says === 'received') book = (book ?? 0) + step.count;
            record = (after as { value: SupplyRecord }).value;
            expect(onHand(record, used)).toBe(book);
          }
        },
      ),
    );
  });

  test('said twice, the second is refused: it saw an older version', () => {
    const first = afterWord(newRecord('glue'), 0, { says: 'counted', count: 3, because: 'x' }, 0, 'now');
    const record = (first as { value: SupplyRecord }).value;
    expect(afterWord(record, 0, { says: 'received', count: 9 }, 0, 'now')).toMatchObject({
      refusal: { reason: 'supply-changed' },
    });
  });
});
