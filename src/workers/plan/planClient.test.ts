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
  );
  return { made, workers, heard };
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

  test('a new question ends the one that is still computed; what that would have said is not heard', () => {
    const { made, workers, heard } = client();
    made.ask(question);
    made.ask(question);
    expect(workers[0]?.isEnded).toBe(true);
    workers[0]?.answer(1);
    expect(heard).toEqual([]);
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
