import { MemoryLetters, settleAll } from '../../../tests/support/letterStore';
import type { LogEntry } from '@/core/opening/openingLog';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { emptyOutbox, type OutboxState } from '@/ui/server/outbox';
import { bodyOf, logging, logOutbox, takingBack, withMoves, type LogMove } from './logOutbox';

const entry = (id: string): LogEntry => ({
  id,
  leg: 'out',
  verb: 'take',
  thing: 'lid',
  tool: 'Hands',
  screws: [],
  face: 'Back up',
  posture: '',
  trouble: '',
  seconds: 1,
});
const step = (id: string) => logging(1, 1, entry(id));

function bench(answers: Outcome<unknown>[]) {
  const sent: string[] = [];
  const timers: (() => void)[] = [];
  const store = new MemoryLetters<LogMove>();
  let state: OutboxState<LogMove> = emptyOutbox;
  const outbox = logOutbox({
    store,
    post: async (move) => {
      sent.push(`${move.does} ${move.does === 'log' ? move.entry.id : move.entryId}`);
      return answers.shift() ?? accept(null);
    },
    later: (work) => timers.push(work),
    onState: (now) => (state = now),
  });
  const tick = async () => {
    for (const work of timers.splice(0)) work();
    await settleAll();
  };
  return { outbox, sent, tick, kept: () => store.waiting, rejected: () => state.rejected };
}

test('steps go in order, and what was sent is no longer kept', async () => {
  const { outbox, sent, kept } = bench([]);
  outbox.add(step('a'));
  outbox.add(step('b'));
  await settleAll();
  expect(sent).toEqual(['log a', 'log b']);
  expect(kept()).toEqual([]);
});

test('with the server away they are kept and tried again, each once', async () => {
  const { outbox, sent, tick, kept } = bench([refuse('server-away')]);
  outbox.add(step('a'));
  await settleAll();
  expect(kept()).toHaveLength(1);
  outbox.add(step('b'));
  await settleAll();
  await tick();
  expect(kept()).toEqual([]);
  expect(sent).toEqual(['log a', 'log a', 'log b']);
});

test('a step that was not sent yet is taken back here as well as there', async () => {
  const { outbox, sent, kept } = bench([refuse('server-away'), accept(null)]);
  outbox.add(step('a'));
  await settleAll();
  outbox.discard('a');
  outbox.add(takingBack('a'));
  await settleAll();
  expect(kept()).toEqual([]);
  expect(sent.at(-1)).toBe('take-back a');
});

test('what the server rejects is kept with its reason until somebody has seen it, and holds nothing up', async () => {
  const { outbox, sent, kept, rejected } = bench([refuse('bad-input', { field: 'thing' })]);
  outbox.add(step('a'));
  outbox.add(step('b'));
  await settleAll();
  expect(sent).toEqual(['log a', 'log b']);
  expect(kept()).toEqual([]);
  expect(rejected()).toMatchObject([{ letter: { entry: { id: 'a' } }, refusal: { reason: 'bad-input' } }]);
  outbox.discard('a');
  expect(rejected()).toEqual([]);
});

test('an undo waits for the server like a step; of what never arrived there is nothing to undo', async () => {
  const { outbox, sent, tick, rejected } = bench([accept(null), refuse('server-away'), refuse('not-found')]);
  outbox.add(step('a'));
  await settleAll();
  outbox.add(takingBack('a'));
  await settleAll();
  await tick();
  expect(sent).toEqual(['log a', 'take-back a', 'take-back a']);
  expect(rejected()).toEqual([]);
});

test('a page that comes back shows the steps that still wait, each once, and not those that were taken back', () => {
  const logs = [{ number: 1, entries: [entry('a'), entry('b')] }];
  const moves = [step('b'), logging(1, 3, entry('c')), takingBack('a'), logging(2, 1, entry('d'))];
  expect(withMoves(logs, moves).map(({ number, entries }) => [number, entries.map(({ id }) => id)])).toEqual([
    [1, ['b', 'c']],
    [2, ['d']],
  ]);
});

test('the route gets the move without its id, which is the browser’s own', () => {
  expect(Object.keys(bodyOf(step('a')))).toEqual(['does', 'log', 'place', 'entry']);
  expect(bodyOf(takingBack('a'))).toEqual({ does: 'take-back', entryId: 'a' });
});
