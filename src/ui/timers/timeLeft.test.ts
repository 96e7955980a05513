import { freePlace, isNear, sayFixture, sayWait, secondsLeft } from './timeLeft';

const began = '2026-11-25T08:00:00.000Z';
const at = (seconds: number) => Date.parse(began) + seconds * 1000;

test('a timer counts down to its end and on past it', () => {
  const timer = { beganAt: began, minutes: 4 };
  expect([0, 60, 240, 300].map((seconds) => secondsLeft(timer, at(seconds)))).toEqual([240, 180, 0, -60]);
});

test('a clock that went back makes no wait longer than it is', () => {
  expect(secondsLeft({ beganAt: began, minutes: 4 }, at(-3600))).toBe(240);
});

test('the next free fixture is the lowest number that nobody waits on; the bench has room', () => {
  const running = [
    { fixture: 'clamp', place: 1 },
    { fixture: 'clamp', place: 3 },
    { fixture: 'bench', place: 1 },
  ];
  expect([freePlace('clamp', running), freePlace('hot plate', running), freePlace('bench', running)]).toEqual([
    2, 1, 1,
  ]);
  expect([sayFixture({ fixture: 'clamp', place: 2 }), sayFixture({ fixture: 'bench', place: 1 })]).toEqual([
    'clamp 2',
    'on the bench',
  ]);
});

test('a cell on its charger says what it is doing at that moment', () => {
  const of = (does: 'charge' | 'run-down', minutes: number) => ({ does, minutes, ampere: 1, fixture: null });
  const wait = { timer: null, conditioning: { beganAt: began, steps: [of('charge', 10), of('run-down', 20)] } };
  expect([0, 599, 600, 1799, 1800].map((seconds) => sayWait(wait, at(seconds)))).toEqual([
    ...['charging', 'charging', 'running down', 'running down', 'on its charger'],
  ]);
});

test('a unit on a fixture always concerns whoever is near, a cell in its last ten minutes and when it is done', () => {
  const cell = {
    ...{ id: 'c', tag: 'P-00001', href: '/t/P-00001', beganAt: began, minutes: 60, timer: null },
    conditioning: { beganAt: began, steps: [] },
  };
  expect([0, 49 * 60, 50 * 60, 70 * 60].map((seconds) => isNear(cell, at(seconds)))).toEqual([
    ...[false, false, true, true],
  ]);
  const timer = { stepId: 'out:x', fixture: 'clamp', place: 1, beganAt: began, minutes: 60 };
  expect(isNear({ ...cell, timer, conditioning: null }, at(0))).toBe(true);
});
