import { shippedModels } from '../../../tests/support/models';
import { planToday } from './planToday';
import { tightKnot } from './tightKnot';

describe('tightKnot', () => {
  test('is where the wait is longest, not where most lies', () => {
    expect(
      tightKnot([
        { knot: 'triage', waiting: 20, passed: 40 },
        { knot: 'rebuild', waiting: 5, passed: 2 },
      ]),
    ).toBe('rebuild');
  });

  test('a stalled queue is seen, an empty shop pulls nothing', () => {
    expect(
      tightKnot([
        { knot: 'prove', waiting: 2, passed: 0 },
        { knot: 'match', waiting: 3, passed: 3 },
      ]),
    ).toBe('prove');
    expect(
      tightKnot([
        { knot: 'prove', waiting: 0, passed: 0 },
        { knot: 'send', waiting: 1, passed: 0 },
      ]),
    ).toBeNull();
    expect(tightKnot([])).toBeNull();
  });
});

describe('planToday', () => {
  const waiting = { dock: 2, triage: 4, teardown: 0, grade: 3, shelf: 9, match: 0, rebuild: 0, prove: 0, send: 1 };

  test('queues of things are one job each, with the time they take', () => {
    const jobs = planToday({ units: [], models: shippedModels, waiting, shelf: {} });
    expect(jobs.map(({ kind, title, minutes }) => [kind, title, minutes])).toEqual([
      ['send', 'Send 1 unit', 2],
      ['grade', 'Grade 3 parts', 4.5],
      ['triage', 'Look at 4 units', 4],
      ['dock', 'Tag 2 units', 1],
    ]);
  });
});
