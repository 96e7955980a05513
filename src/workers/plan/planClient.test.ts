import { phone } from '../../../tests/support/models';
import { startingHouseRules } from '@/core/shared/houseRules';
import { refuse } from '@/core/shared/outcome';
import { PlanClient } from './planClient';
import type { PlanQuestion } from './planWorker';

/** A worker that answers when it is told to. */
class FakeWorker extends EventTarget {
  readonly asked: PlanQuestion[] = [];
  isEnded = false;

  postMessage(question: PlanQuestion): void {
    this.asked.push(question);
  }

  terminate(): void {
    this.isEnded = true;
  }

  answer(number: number): void {
    const data = { number, outcome: refuse('no-worth') };
    this.dispatchEvent(Object.assign(new Event('message'), { data }));
  }
}

const question = {
  model: phone,
  rules: startingHouseRules,
  request: { aim: { kind: 'pays' as const }, parts: [], scrap: [], revision: null, configuration: null, findings: [] },
};

function client() {
  const workers: FakeWorker[] = [];
  const heard: string[] = [];
  let late: (() => void) | null = null;
  const made = new PlanClient(
    {
      onAnswer: ({ outcome }) => heard.push(outcome.ok ? 'plan' : outcome.refusal.reason),
      onCrash: () => heard.push('crash'),
    },
    () => {
      const worker = new FakeWorker();
      workers.push(worker);
      return worker as unknown as Worker;
    },
    (work) => {
      late = work;
      return () => (late = null);
    },
  );
  return { made, workers, heard, runLate: () => late?.(), hasLate: () => late !== null };
}

describe('PlanClient', () => {
  test('asks one worker again and again while it answers', () => {
    const { made, workers, heard } = client();
    made.ask(question);
    workers[0]?.answer(1);
    made.ask(question);
    workers[0]?.answer(2);
    expect([workers.length, heard]).toEqual([1, ['no-worth', 'no-worth']]);
  });

  test('a new question waits for a quick answer, which is not heard; only the last of several is asked', () => {
    const { made, workers, heard, hasLate } = client();
    for (let at = 0; at < 4; at += 1) made.ask(question);
    expect([workers.length, workers[0]?.asked.length]).toEqual([1, 1]);
    workers[0]?.answer(1);
    expect([heard, workers[0]?.asked.length, hasLate()]).toEqual([[], 2, false]);
    workers[0]?.answer(2);
    expect(heard).toEqual(['no-worth']);
  });

  test('one that takes long is ended for the next; whatever it still says is not heard', () => {
    const { made, workers, heard, runLate } = client();
    made.ask(question);
    made.ask(question);
    runLate();
    expect([workers[0]?.isEnded, workers.length]).toEqual([true, 2]);
    workers[0]?.answer(1);
    workers[0]?.dispatchEvent(new Event('error'));
    expect([heard, workers[1]?.isEnded]).toEqual([[], false]);
    workers[1]?.answer(2);
    expect(heard).toEqual(['no-worth']);
  });

  test('a worker that breaks down is told of, and the next question starts another', () => {
    const { made, workers, heard } = client();
    made.ask(question);
    workers[0]?.dispatchEvent(new Event('error'));
    made.ask(question);
    workers[1]?.answer(2);
    expect(heard).toEqual(['crash', 'no-worth']);
  });
});
