import type { BenchEvent } from '@/core/bench/events';
import { UnsettledFacts, type Unsettled, type UnsettledStore } from './unsettledFacts';

const refused = (id: string, at: string): Unsettled => ({
  event: { id, type: 'unit-matched', subjectId: 'u', expects: 1, at, payload: {} } as BenchEvent,
  refusal: { reason: 'stale', facts: { tag: 'U-1' } },
});

function memory(left: Unsettled[] = []): UnsettledStore & { readonly kept: Unsettled[] } {
  const kept = [...left];
  return {
    kept,
    loadUnsettled: async () => [...kept],
    keepUnsettled: async (unsettled) => void kept.push(unsettled),
    dropUnsettled: async (id) =>
      void kept.splice(
        kept.findIndex(({ event }) => event.id === id),
        1,
      ),
  };
}

describe('facts that were not taken', () => {
  test('stay over a reload, in the order in which they happened, each once', async () => {
    const store = memory([refused('b', '2026-11-25T09:00:00Z')]);
    let changes = 0;
    const facts = new UnsettledFacts(store, () => (changes += 1));
    facts.add(refused('c', '2026-11-25T10:00:00Z'));
    facts.add(refused('a', '2026-11-25T08:00:00Z'));
    await facts.resume();
    await facts.resume();
    expect(facts.all.map(({ event }) => event.id)).toEqual(['a', 'b', 'c']);
    expect(changes).toBe(4);
  });

  test('go when a person has settled them, here and in what is kept', () => {
    const store = memory([]);
    const facts = new UnsettledFacts(store, () => undefined);
    facts.add(refused('a', '2026-11-25T08:00:00Z'));
    facts.settle('a');
    expect([facts.all, store.kept]).toEqual([[], []]);
  });

  test('are still shown when the browser keeps nothing', () => {
    const store = { ...memory(), keepUnsettled: () => Promise.reject(new Error('full')) };
    const facts = new UnsettledFacts(store, () => undefined);
    facts.add(refused('a', '2026-11-25T08:00:00Z'));
    expect(facts.all).toHaveLength(1);
  });
});
