import { timeOrder, type SequenceProblem } from '../order/sequenceProblem';
import { batchMinutes } from './batchMinutes';

/** Two operations with two tools; the first one puts the unit on the plate for four minutes. */
const problem: SequenceProblem = {
  operations: [
    {
      minutes: 1,
      tools: [{ tool: 0, factor: 1 }],
      face: 0,
      posture: 0,
      after: [],
      wait: { minutes: 4, isBeside: false },
    },
    { minutes: 2, tools: [{ tool: 1, factor: 1 }], face: 0, posture: 0, after: [[0]] },
  ],
  toolMinutes: [
    [0, 0.5],
    [0.5, 0],
  ],
  faceMinutes: [[0]],
  postureMinutes: [[0]],
};
const steps = timeOrder(problem, [
  { operation: 0, choice: 0 },
  { operation: 1, choice: 0 },
]);

describe('batchMinutes', () => {
  test('one unit is the same either way', () => {
    expect(batchMinutes(problem, steps, 1, 0.1)).toMatchObject({
      oneThrough: 7.5,
      stepByStep: 7.5,
      handlingMinutes: 0,
    });
  });

  test('three units: the tool is changed once, and two of them fill the wait of the third', () => {
    const batch = batchMinutes(problem, steps, 3, 0);
    expect(batch.oneThrough).toBe(22.5);
    // Three minutes of the first step, two more until the first unit is warm, half a minute for the tool, six of the second.
    expect(batch.stepByStep).toBe(3 + 2 + 0.5 + 6);
  });

  test('where nothing is changed and nothing waits, moving units about only costs', () => {
    const plain = {
      ...problem,
      operations: problem.operations.map((own) => ({ ...own, tools: [{ tool: 0, factor: 1 }] })),
    };
    const bare = { ...plain, operations: plain.operations.map(({ wait: _wait, ...own }) => own) };
    const order = timeOrder(bare, [
      { operation: 0, choice: 0 },
      { operation: 1, choice: 0 },
    ]);
    const batch = batchMinutes(bare, order, 2, 0.25);
    expect(batch.stepByStep - batch.oneThrough).toBe(1);
  });
});
