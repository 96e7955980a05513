import { MemoryLetters, settleAll } from '../../../tests/support/letterStore';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { oneByOne, Outbox, type Answer, type LetterStore, type OutboxState } from './outbox';

interface Note {
  readonly id: string;
  readonly text?: string;
}
type Post = (notes: readonly Note[]) => Promise<Outcome<readonly Answer<number>[]>>;
const yes = ({ id }: Note): Answer<number> => ({ id, ok: true, value: 1 });
const takeAll: Post = async (notes) => accept(notes.map(yes));

function setUp(post: Post, store: LetterStore<Note> = new MemoryLetters<Note>(), gathersMs?: number) {
  const answered: string[] = [];
  const timers: { work: () => void; ms: number }[] = [];
  let state: OutboxState<Note> | undefined;
  const outbox = new Outbox<Note, number>({
    store,
    post,
    ...(gathersMs && { gathersMs }),
    later: (work, ms) => void timers.push({ work, ms }),
    onAnswer: ({ id }, { ok }) => void answered.push(`${id} ${ok ? 'ok' : 'refused'}`),
    onState: (now) => (state = now),
  });
  const tick = async () => {
    for (const { work } of timers.splice(0)) work();
    await settleAll();
  };
  return { outbox, answered, timers, tick, state: () => state as OutboxState<Note> };
}

/** A server that is away for the first tries, and what it was sent. */
function awayFor(tries: number) {
  const sent: string[] = [];
  const post: Post = async (notes) => {
    if ((tries -= 1) >= 0) return refuse('server-away');
    sent.push(...notes.map(({ id, text }) => text ?? id));
    return accept(notes.map(yes));
  };
  return { sent, post };
}

describe('Outbox', () => {
  test('posts in order, tells the answers, keeps nothing that was answered', async () => {
    const store = new MemoryLetters<Note>();
    const { sent, post } = awayFor(0);
    const { outbox, answered } = setUp(post, store);
    for (const id of ['a', 'b', 'c']) outbox.add({ id });
    await settleAll();
    expect(sent).toEqual(['a', 'b', 'c']);
    expect(answered).toEqual(['a ok', 'b ok', 'c ok']);
    expect(store.rows.size).toBe(0);
  });

  test('while the server is away letters are kept and counted, and arrive once, in order, when it is back', async () => {
    const store = new MemoryLetters<Note>();
    const { sent, post } = awayFor(2);
    const { outbox, state, tick } = setUp(post, store);
    outbox.add({ id: 'a' });
    outbox.add({ id: 'b' });
    await settleAll();
    expect(state()).toMatchObject({ waiting: [{ id: 'a' }, { id: 'b' }], away: { reason: 'server-away' } });
    expect(store.waiting).toHaveLength(2);
    await tick();
    expect(sent).toEqual([]);
    await tick();
    expect(sent).toEqual(['a', 'b']);
    expect(state()).toEqual({ waiting: [], rejected: [], away: null, isUnkept: false });
  });

  test('it asks an absent server ever less often, up to five seconds', async () => {
    const { outbox, timers } = setUp(async () => refuse('database-away'));
    outbox.add({ id: 'a' });
    await settleAll();
    const pauses: number[] = [];
    for (let times = 0; times < 7; times += 1) {
      const [timer] = timers.splice(0);
      pauses.push(timer?.ms ?? 0);
      timer?.work();
      await settleAll();
    }
    expect(pauses).toEqual([500, 1000, 2000, 4000, 5000, 5000, 5000]);
  });

  test('a letter that the server does not answer is posted again', async () => {
    const sent: string[][] = [];
    const { outbox, tick } = setUp(async (notes) => {
      sent.push(notes.map(({ id }) => id));
      return accept(notes.slice(0, 1).map(yes));
    });
    for (const id of ['a', 'b', 'c']) outbox.add({ id });
    await settleAll();
    await tick();
    await tick();
    expect(sent.flat().filter((id) => id === 'a')).toHaveLength(1);
    expect(sent.at(-1)).toEqual(['c']);
  });

  test('at most fifty go at once', async () => {
    const sizes: number[] = [];
    const left = Array.from({ length: 120 }, (_, at) => ({ id: `n${at}` }));
    const { outbox } = setUp(async (notes) => {
      sizes.push(notes.length);
      return accept(notes.map(yes));
    }, new MemoryLetters<Note>(left));
    await outbox.resume();
    await settleAll();
    expect(sizes).toEqual([50, 50, 20]);
  });

  test('a browser that keeps nothing says so while something waits', async () => {
    const { post } = awayFor(1);
    const full = Object.assign(new MemoryLetters<Note>(), {
      keep: () => Promise.reject(new Error('QuotaExceededError')),
    });
    const { outbox, state, tick } = setUp(post, full);
    outbox.add({ id: 'a' });
    await settleAll();
    expect(state()).toMatchObject({ waiting: [{ id: 'a' }], isUnkept: true });
    await tick();
    expect(state()).toMatchObject({ waiting: [], isUnkept: false });
  });

  test('one letter that is rejected does not hold up the next, and stays until it is settled, over a reload', async () => {
    const store = new MemoryLetters<Note>();
    const post: Post = async (notes) =>
      accept(
        notes.map((note) =>
          note.id === 'a' ? { id: 'a', ok: false, refusal: { reason: 'stale', values: {} } } : yes(note),
        ),
      );
    const { outbox, answered, state } = setUp(post, store);
    outbox.add({ id: 'a' });
    outbox.add({ id: 'b' });
    await settleAll();
    expect(answered).toEqual(['a refused', 'b ok']);
    const rejected = [{ letter: { id: 'a' }, refusal: { reason: 'stale', values: {} } }];
    expect(state()).toMatchObject({ waiting: [], rejected });

    const reloaded = setUp(post, store);
    expect(await reloaded.outbox.resume()).toEqual({ waiting: [], rejected });
    await settleAll();
    expect(reloaded.answered).toEqual([]);
    reloaded.outbox.discard('a');
    expect(reloaded.state().rejected).toEqual([]);
    expect(store.rows.size).toBe(0);
  });

  test('what an earlier page left behind goes first, and once', async () => {
    const { sent, post } = awayFor(0);
    const { outbox } = setUp(post, new MemoryLetters<Note>([{ id: 'old' }]));
    const resumed = outbox.resume();
    outbox.add({ id: 'new' });
    await resumed;
    await outbox.resume();
    await settleAll();
    expect(sent).toEqual(['old', 'new']);
  });

  test('a browser that cannot be read is one that keeps nothing', async () => {
    const { sent, post } = awayFor(1);
    const blocked = Object.assign(new MemoryLetters<Note>(), {
      load: () => Promise.reject(new Error('SecurityError')),
    });
    const { outbox, state, tick } = setUp(post, blocked);
    await outbox.resume();
    outbox.add({ id: 'a' });
    await settleAll();
    expect(state().isUnkept).toBe(true);
    await tick();
    expect(sent).toEqual(['a']);
  });

  test('many letters of one id in a moment are one', async () => {
    const { sent, post } = awayFor(0);
    const { outbox, tick, timers } = setUp(post, undefined, 350);
    for (const text of ['h', 'ha', 'hal']) outbox.add({ id: 'draft', text });
    await settleAll();
    expect([sent, timers.length]).toEqual([[], 1]);
    await tick();
    expect(sent).toEqual(['hal']);
  });

  test('a letter that may have arrived is asked about before the one that follows it', async () => {
    const { sent, post } = awayFor(1);
    const { outbox, tick } = setUp(post, undefined, 350);
    outbox.add({ id: 'draft', text: 'one' });
    await tick();
    outbox.add({ id: 'draft', text: 'two' });
    outbox.add({ id: 'draft', text: 'three' });
    await tick();
    expect(sent).toEqual(['one', 'three']);
  });

  test('a letter is mended by another of its id', async () => {
    const post: Post = async (notes) =>
      accept(
        notes.map((note) =>
          note.text === 'bad' ? { id: note.id, ok: false, refusal: { reason: 'bad-input', values: {} } } : yes(note),
        ),
      );
    const store = new MemoryLetters<Note>();
    const { outbox, state } = setUp(post, store);
    outbox.add({ id: 'draft', text: 'bad' });
    await settleAll();
    expect(state().rejected).toHaveLength(1);
    outbox.add({ id: 'draft', text: 'good' });
    await settleAll();
    expect([state().rejected, store.rows.size]).toEqual([[], 0]);
  });

  test('what was discarded on its way is neither kept nor shown when it comes back', async () => {
    const gate: { open?: () => void } = {};
    const store = new MemoryLetters<Note>();
    const { outbox, state } = setUp(async ([note]) => {
      await new Promise<void>((open) => (gate.open = open));
      return accept([{ id: (note as Note).id, ok: false, refusal: { reason: 'stale', values: {} } }]);
    }, store);
    outbox.add({ id: 'a' });
    await settleAll();
    outbox.discard('a');
    gate.open?.();
    await settleAll();
    expect([state().waiting, state().rejected, store.rows.size]).toEqual([[], [], 0]);
  });

  test('flushing waits for what is on its way', async () => {
    const gate: { open?: () => void } = {};
    const { outbox, answered } = setUp(async (notes) => {
      await new Promise<void>((open) => (gate.open = open));
      return takeAll(notes);
    });
    outbox.add({ id: 'a' });
    await settleAll();
    const flushed = outbox.flush().then(() => answered.push('flushed'));
    await settleAll();
    expect(answered).toEqual([]);
    gate.open?.();
    await flushed;
    expect(answered).toEqual(['a ok', 'flushed']);
  });
});

describe('a route that takes one letter', () => {
  test('lets it wait for what passes by itself, and answers everything else', async () => {
    const answers: Outcome<number>[] = [refuse('not-signed-in'), refuse('bad-input'), accept(7)];
    const { post, atOnce } = oneByOne<Note, number>(async () => answers.shift() as Outcome<number>);
    expect(atOnce).toBe(1);
    expect(await post([{ id: 'a' }])).toEqual(refuse('not-signed-in'));
    expect(await post([{ id: 'a' }])).toEqual(accept([{ id: 'a', ...refuse('bad-input') }]));
    expect(await post([{ id: 'a' }])).toEqual(accept([{ id: 'a', ok: true, value: 7 }]));
  });
});
