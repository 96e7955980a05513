/** @jest-environment node */
import { allHere, late } from './late';

test('nothing is asked for on a server; once asked it is there for all who listen', async () => {
  let asked = 0;
  const part = late(() => {
    asked += 1;
    return Promise.resolve('here');
  });
  expect([asked, part.now()]).toEqual([0, null]);
  const told: (string | null)[] = [];
  const stop = part.subscribe(() => told.push(part.now()));
  await Promise.all([part.load(), part.load()]);
  expect([asked, part.now(), told]).toEqual([1, 'here', ['here']]);
  stop();
});

test('what could not be had is asked for again, and nobody waits for it for ever', async () => {
  let tries = 0;
  const part = late(() => {
    tries += 1;
    return tries < 2 ? Promise.reject(new Error('away')) : Promise.resolve(tries);
  });
  await part.load();
  expect(part.now()).toBeNull();
  await allHere();
  await part.load();
  expect(part.now()).toBe(2);
});

test('all that is on its way is waited for, and no more', async () => {
  let arrive: (value: number) => void = () => undefined;
  const slow = late(() => new Promise<number>((done) => (arrive = done)));
  void slow.load();
  let isHere = false;
  const all = allHere().then(() => (isHere = true));
  await Promise.resolve();
  expect(isHere).toBe(false);
  arrive(7);
  await all;
  expect(slow.now()).toBe(7);
});
