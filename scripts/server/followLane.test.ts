import { makeFollowLane } from './followLane.cjs';

interface Asked {
  readonly takes?: number;
  readonly factsMeanwhile?: number;
  readonly isOver?: () => boolean;
  readonly fails?: boolean;
}

/** A lane on a clock of its own: work takes as long as it says, and so many facts come while it lasts. */
function lane() {
  let clock = 0;
  let facts = 0;
  const timers: { at: number; work: () => unknown }[] = [];
  const started: [string, number][] = [];
  const follow = makeFollowLane(() => facts, {
    now: () => clock,
    later: (work: () => unknown, ms: number) => timers.push({ at: clock + ms, work }),
  });
  const ask = (name: string, { takes = 100, factsMeanwhile = 0, isOver = () => false, fails = false }: Asked = {}) =>
    follow(() => {
      started.push([name, clock]);
      clock += takes;
      facts += factsMeanwhile;
      return fails ? Promise.reject(new Error('broken')) : Promise.resolve();
    }, isOver);
  const settle = async () => {
    for (let quiet = 0; quiet < 5; quiet += 1) {
      await new Promise((done) => setImmediate(done));
      const next = timers.sort((a, b) => a.at - b.at).shift();
      if (!next) continue;
      quiet = 0;
      clock = Math.max(clock, next.at);
      next.work();
    }
  };
  return { ask, settle, started };
}

describe('the lane of screens that follow', () => {
  test('one after the other, without a rest while no facts come', async () => {
    const { ask, settle, started } = lane();
    for (const name of ['a', 'b', 'c']) ask(name);
    await settle();
    expect(started).toEqual([
      ['a', 0],
      ['b', 100],
      ['c', 200],
    ]);
  });

  test('while facts come it rests three times as long as it worked, and never longer than a second', async () => {
    const { ask, settle, started } = lane();
    ask('a', { factsMeanwhile: 5 });
    ask('b', { takes: 5000, factsMeanwhile: 1 });
    ask('c');
    await settle();
    expect(started).toEqual([
      ['a', 0],
      ['b', 400],
      ['c', 6400],
    ]);
  });

  test('whoever is gone loses the turn, a fault does not stop the lane, and it takes more work later', async () => {
    const { ask, settle, started } = lane();
    ask('faulty', { fails: true });
    ask('gone', { isOver: () => true });
    ask('next');
    await settle();
    ask('later');
    await settle();
    expect(started.map(([name]) => name)).toEqual(['faulty', 'next', 'later']);
  });
});
