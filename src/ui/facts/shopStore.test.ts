import { TestBench } from '../../../tests/support/bench';
import { phone, shippedModels } from '../../../tests/support/models';
import type { BenchEvent } from '@/core/bench/events';
import type { EventQueue } from './eventQueue';
import { ShopStore } from './shopStore';

function setUp() {
  const bench = new TestBench();
  bench.identified(phone);
  const queued: BenchEvent[] = [];
  let made = 0;
  const store = new ShopStore(
    () => ({ add: (event: BenchEvent) => queued.push(event) }) as unknown as EventQueue,
    () => `id-${(made += 1)}`,
    () => new Date('2026-11-25T08:00:00Z'),
    () => undefined,
  );
  const served = bench.unit();
  const seeds = { models: shippedModels, units: [served] };
  return { store, queued, served, seeds };
}

describe('ShopStore', () => {
  test('quick keys act at once and each expects the version that the one before made', () => {
    const { store, queued, served, seeds } = setUp();
    for (const test of ['starts', 'charges', 'picture'] as const)
      store.act(seeds, 'test-noted', 'u', { test, result: 'sound' });
    expect(store.merged('unit', served)?.tests).toEqual({ starts: 'sound', charges: 'sound', picture: 'sound' });
    expect(queued.map(({ expects }) => expects)).toEqual([served.version, served.version + 1, served.version + 2]);
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
    store.answered(queued[0] as BenchEvent, {
      id: 'id-1',
      ok: false,
      refusal: { reason: 'stale', facts: { tag: 'U-1', by: 'Imke R.' } },
    });
    expect(store.merged('unit', served)).toBe(served);
    expect(store.notice?.refusal.facts.by).toBe('Imke R.');
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
