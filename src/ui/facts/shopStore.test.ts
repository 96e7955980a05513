import { TestBench } from '../../../tests/support/bench';
import { phone, shippedModels } from '../../../tests/support/models';
import type { Unit } from '@/core/entities/entities';
import { startingHouseRules } from '@/core/shared/houseRules';
import type { Fact } from '@/core/shop/facts';
import { applyFact } from '@/core/shop/applyFact';
import { makeFact } from '@/core/shop/makeFact';
import { MemoryWorld } from '@/core/shop/memoryWorld';
import type { Judge } from './judge';
import { ShopStore, type Overlaid } from './shopStore';

const judge: Judge = { applyFact, makeFact, MemoryWorld };

function setUp() {
  const bench = new TestBench();
  bench.identified(phone);
  const queued: Fact[] = [];
  let made = 0;
  const make = (onLaid?: (id: string, overlaid: Overlaid | null) => void) =>
    new ShopStore(
      () => judge,
      () => ({ add: (fact: Fact) => void queued.push(fact) }),
      startingHouseRules,
      () => `id-${(made += 1)}`,
      () => ({ at: '2026-11-25T08:00:00.000Z' }),
      () => undefined,
      onLaid,
    );
  const store = make();
  const served = bench.unit();
  const seeds = { models: shippedModels, units: [served] };
  return { store, make, queued, served, seeds };
}

describe('ShopStore', () => {
  test('quick keys act at once and each expects the version that the one before made', () => {
    const { store, queued, served, seeds } = setUp();
    for (const test of ['starts', 'charges', 'picture'] as const)
      store.act(seeds, 'test-noted', 'u', { test, result: 'sound' });
    expect(store.merged('unit', served)?.tests).toEqual({ starts: 'sound', charges: 'sound', picture: 'sound' });
    expect(queued.map(({ expects }) => expects)).toEqual([served.version, served.version + 1, served.version + 2]);
  });

  test('what came after the page was loaded is kept for a page without the server; what came with it is not', () => {
    const { make, served, seeds } = setUp();
    const laid: [string, number | undefined][] = [];
    const store = make((id, overlaid) => laid.push([id, overlaid?.version]));
    store.served(seeds);
    store.served(seeds);
    expect(laid).toEqual([]);
    const newer = { ...served, version: served.version + 3 };
    store.served({ ...seeds, units: [newer] });
    expect(laid).toEqual([['u', newer.version]]);
    // Something older, as a slow answer brings it, changes nothing.
    store.served(seeds);
    store.served({ ...seeds, units: [newer] });
    expect(laid).toHaveLength(1);
    const other = { ...served, id: 'u2', version: 7 };
    store.served({ ...seeds, units: [newer, other] });
    expect(laid.slice(1)).toEqual([['u2', 7]]);
  });

  test('what was done here and is newer is not replaced in what is kept', () => {
    const { make, served, seeds } = setUp();
    const laid: [string, number | undefined][] = [];
    const store = make((id, overlaid) => laid.push([id, overlaid?.version]));
    store.served(seeds);
    store.act(seeds, 'test-noted', 'u', { test: 'starts', result: 'sound' });
    store.act(seeds, 'test-noted', 'u', { test: 'charges', result: 'sound' });
    store.served({ ...seeds, units: [{ ...served, version: served.version + 1 }] });
    expect(laid.map(([, version]) => version)).toEqual([served.version + 1, served.version + 2]);
  });

  test('what the core refuses is said and not sent', () => {
    const { store, queued, seeds } = setUp();
    store.act(seeds, 'unit-matched', 'u', {});
    expect(queued).toEqual([]);
    expect(store.notice?.refusal.reason).toBe('wrong-stage');
  });

  test('when the server refuses, what was laid over goes and the server’s word shows', () => {
    const { store, queued, served, seeds } = setUp();
    store.act(seeds, 'test-noted', 'u', { test: 'starts', result: 'fault' });
    store.answered(queued[0] as Fact, {
      id: 'id-1',
      ok: false,
      refusal: { reason: 'stale', values: { tag: 'U-1', by: 'Imke R.' } },
    });
    expect(store.merged('unit', served)).toBe(served);
    expect(store.notice?.refusal.values.by).toBe('Imke R.');
  });

  test('what an earlier page laid over is laid over again, but not over what was made since', () => {
    const { store, served, seeds } = setUp();
    store.act(seeds, 'test-noted', 'u', { test: 'starts', result: 'fault' });
    const ours = store.merged('unit', served);
    const other = { ...served, id: 'other', version: 9 };
    store.recall([
      ['u', { kind: 'unit', entity: served, version: served.version }],
      ['other', { kind: 'unit', entity: other, version: 9 }],
    ]);
    expect(store.merged('unit', served)).toBe(ours);
    expect(store.merged('unit', { ...other, version: 8 })).toBe(other);
    const newer = { ...other, version: 10 };
    expect(store.merged('unit', newer)).toBe(newer);
  });

  test('what is laid over is given to be kept, and taken away again with a refusal', () => {
    const kept = new Map<string, Overlaid>();
    const { queued, seeds, make } = setUp();
    const store = make((id, overlaid) => void (overlaid ? kept.set(id, overlaid) : kept.delete(id)));
    store.act(seeds, 'test-noted', 'u', { test: 'starts', result: 'fault' });
    expect((kept.get('u')?.entity as Unit).tests.starts).toBe('fault');
    const [fact] = queued as [Fact];
    store.answered(fact, { id: fact.id, ok: false, refusal: { reason: 'stale', values: {} } });
    expect(kept.size).toBe(0);
  });

  test('a newer state from the server wins over ours', () => {
    const { store, served, seeds } = setUp();
    store.act(seeds, 'test-noted', 'u', { test: 'starts', result: 'fault' });
    const newer = { ...served, version: served.version + 5 };
    expect(store.merged('unit', newer)).toBe(newer);
  });

  test('the last fact is taken back first, here at once', () => {
    const { store, queued, served, seeds } = setUp();
    store.act(seeds, 'test-noted', 'u', { test: 'starts', result: 'fault' });
    store.act(seeds, 'test-noted', 'u', { test: 'touch', result: 'fault' });
    store.takeBack(seeds);
    expect(store.merged('unit', served)?.tests).toEqual({ starts: 'fault' });
    store.takeBack(seeds);
    expect(store.merged('unit', served)?.tests).toEqual({});
    expect(queued.map(({ type }) => type)).toEqual(['test-noted', 'test-noted', 'undone', 'undone']);
    expect(store.takeBack(seeds).ok).toBe(false);
  });
});
