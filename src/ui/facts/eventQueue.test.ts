import type { BenchEvent } from '@/core/bench/events';
import { Away, EventQueue, type Answer, type FactStore, type QueueState } from './eventQueue';

const fact = (id: string): BenchEvent => ({
  id,
  type: 'unit-matched',
  subjectId: 'u',
  expects: 1,
  at: '2026-11-25T08:00:00Z',
  payload: {},
});
const yes = (id: string): Answer => ({ id, ok: true, value: { id, position: 1, isRepeat: false, results: [] } });

class MemoryStore implements FactStore {
  constructor(readonly kept: BenchEvent[] = []) {}
  load = async () => [...this.kept];
  keep = async (event: BenchEvent) => void this.kept.push(event);
  drop = async (id: string) =>
    void this.kept.splice(
      this.kept.findIndex((event) => event.id === id),
      1,
    );
}

function setUp(send: (events: readonly BenchEvent[]) => Promise<readonly Answer[]>, store = new MemoryStore()) {
  const answered: string[] = [];
  const states: QueueState[] = [];
  const retries: (() => void)[] = [];
  const queue = new EventQueue({
    store,
    send,
    later: (work) => void retries.push(work),
    onAnswer: (event, { ok }) => void answered.push(`${event.id} ${ok ? 'ok' : 'refused'}`),
    onState: (state) => void states.push(state),
  });
  return { queue, store, answered, states, retries };
}
const settle = () => new Promise((done) => setImmediate(done));

describe('EventQueue', () => {
  test('sends in order, tells the answers, keeps nothing that was answered', async () => {
    const sent: string[] = [];
    const { queue, store, answered } = setUp(async (events) => {
      sent.push(...events.map(({ id }) => id));
      return events.map(({ id }) => yes(id));
    });
    for (const id of ['a', 'b', 'c']) queue.add(fact(id));
    await settle();
    await settle();
    expect(sent).toEqual(['a', 'b', 'c']);
    expect(answered).toEqual(['a ok', 'b ok', 'c ok']);
    expect(store.kept).toEqual([]);
  });

  test('while the server is away facts are kept and counted, and arrive once, in order, when it is back', async () => {
    let isAway = true;
    const sent: string[] = [];
    const { queue, store, states, retries, answered } = setUp(async (events) => {
      if (isAway) throw new Away({ reason: 'server-away', facts: {} });
      sent.push(...events.map(({ id }) => id));
      return events.map(({ id }) => yes(id));
    });
    queue.add(fact('a'));
    queue.add(fact('b'));
    await settle();
    expect(states.at(-1)).toEqual({ waiting: 2, away: { reason: 'server-away', facts: {} }, isUnkept: false });
    expect(store.kept).toHaveLength(2);
    isAway = false;
    retries.shift()?.();
    await settle();
    expect(sent).toEqual(['a', 'b']);
    expect(answered).toEqual(['a ok', 'b ok']);
    expect(states.at(-1)).toEqual({ waiting: 0, away: null, isUnkept: false });
  });

  test('a browser that keeps nothing says so while something waits', async () => {
    let isAway = true;
    const full = { ...new MemoryStore(), keep: () => Promise.reject(new Error('QuotaExceededError')) } as FactStore;
    const { queue, states, retries } = setUp(async (events) => {
      if (isAway) throw new Away({ reason: 'server-away', facts: {} });
      return events.map(({ id }) => yes(id));
    }, full as MemoryStore);
    queue.add(fact('a'));
    await settle();
    expect(states.at(-1)).toMatchObject({ waiting: 1, isUnkept: true });
    isAway = false;
    retries.shift()?.();
    await settle();
    await settle();
    expect(states.at(-1)).toMatchObject({ waiting: 0, isUnkept: false });
  });

  test('one fact that is refused does not hold up the next', async () => {
    const { queue, answered } = setUp(async (events) =>
      events.map(({ id }) =>
        id === 'a' ? { id, ok: false as const, refusal: { reason: 'stale' as const, facts: {} } } : yes(id),
      ),
    );
    queue.add(fact('a'));
    queue.add(fact('b'));
    await settle();
    await settle();
    expect(answered).toEqual(['a refused', 'b ok']);
  });

  test('what an earlier page left behind goes first', async () => {
    const sent: string[] = [];
    const { queue } = setUp(
      async (events) => {
        sent.push(...events.map(({ id }) => id));
        return events.map(({ id }) => yes(id));
      },
      new MemoryStore([fact('old')]),
    );
    await queue.resume();
    await settle();
    expect(sent).toEqual(['old']);
  });
});
