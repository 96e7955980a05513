import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { LogSender, type UnsentStep } from './logSender';

const step = (id: string): UnsentStep => ({
  log: 1,
  place: 1,
  entry: {
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
  },
});
const settle = async () => {
  for (let turn = 0; turn < 20; turn += 1) await Promise.resolve();
};

function bench(answers: Outcome<unknown>[]) {
  const sent: string[] = [];
  const timers: (() => void)[] = [];
  let kept: readonly UnsentStep[] = [];
  const sender = new LogSender([], {
    post: async (body) => {
      const { does, entry, entryId } = body as { does: string; entry?: { id: string }; entryId?: string };
      sent.push(`${does} ${entry?.id ?? entryId}`);
      return answers.shift() ?? accept(null);
    },
    keep: (steps) => (kept = steps),
    later: (work) => timers.push(work),
    onChange: () => undefined,
  });
  return { sender, sent, timers, kept: () => kept };
}

test('steps go in order, and what was sent is no longer kept', async () => {
  const { sender, sent, kept } = bench([]);
  sender.add(step('a'));
  sender.add(step('b'));
  await settle();
  expect(sent).toEqual(['log a', 'log b']);
  expect(kept()).toEqual([]);
});

test('with the server away they are kept and tried again, each once', async () => {
  const { sender, sent, timers, kept } = bench([refuse('server-away')]);
  sender.add(step('a'));
  await settle();
  sender.add(step('b'));
  await settle();
  expect(kept().map(({ entry }) => entry.id)).toEqual([]);
  expect(sent).toEqual(['log a', 'log a', 'log b']);
  for (const work of timers.splice(0)) work();
  await settle();
  expect(sent).toHaveLength(3);
});

test('a step that was not sent yet is taken back here as well as there', async () => {
  const { sender, sent, kept } = bench([refuse('server-away'), accept(null)]);
  sender.add(step('a'));
  await settle();
  await sender.takeBack('a');
  expect(kept()).toEqual([]);
  expect(sent.at(-1)).toBe('take-back a');
});
