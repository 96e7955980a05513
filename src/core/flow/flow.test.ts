import { say } from '@/words/catalogue/core/today';
import { TestBench } from '../../../tests/support/bench';
import { shippedModels } from '../../../tests/support/models';
import type { Model } from '@/core/procedure/model';
import { defaultTargets } from '@/core/sheet/sheetSteps';
import { planToday } from './planToday';
import { slowestStage } from './slowestStage';

describe('slowestStage', () => {
  test('is where the wait is longest, not where most lies', () => {
    expect(
      slowestStage([
        { stage: 'triage', waiting: 20, passed: 40 },
        { stage: 'rebuild', waiting: 5, passed: 2 },
      ]),
    ).toMatchObject({ stage: 'rebuild', waiting: 5, passed: 2 });
  });

  test('a stalled queue is seen, an empty shop pulls nothing', () => {
    expect(
      slowestStage([
        { stage: 'prove', waiting: 2, passed: 0 },
        { stage: 'match', waiting: 3, passed: 3 },
      ]),
    ).toMatchObject({ stage: 'prove' });
    expect(
      slowestStage([
        { stage: 'prove', waiting: 0, passed: 0 },
        { stage: 'send', waiting: 1, passed: 0 },
      ]),
    ).toBeNull();
    expect(slowestStage([])).toBeNull();
  });
});

describe('planToday', () => {
  const waiting = { dock: 2, triage: 4, teardown: 0, grade: 3, shelf: 9, match: 0, rebuild: 0, prove: 0, send: 1 };

  test('queues of things are one job each, with the time they take', () => {
    const jobs = planToday({ units: [], models: shippedModels, waiting, shelf: {} });
    expect(jobs.map(({ kind, title, minutes }) => [kind, say(title), minutes])).toEqual([
      ['send', 'Send 1 unit', 2],
      ['grade', 'Grade 3 parts', 4.5],
      ['triage', 'Triage 4 units', 4],
      ['dock', 'Tag 2 units', 1],
    ]);
  });

  test('what is open comes first, then what is nearest to money, then what feeds the line; the shortest first', () => {
    const lantern = shippedModels.find(({ name }) => name === 'Lantern 5') as Model;
    const quay = shippedModels.find(({ name }) => name === 'Slate Quay') as Model;
    const bench = new TestBench();
    const begun = (id: string, model: Model, kind: 'teardown' | 'rebuild', steps: number) => {
      bench.decided(model, kind === 'teardown' ? 'donor' : 'build', id);
      const targets = defaultTargets(model, model.configurations[0]?.id ?? null);
      bench.act('sheet-started', id, { kind, targets, keeping: 'tray' });
      for (let done = 0; done < steps; done += 1) bench.step(model, id);
    };
    begun('long', quay, 'teardown', 2);
    begun('short', lantern, 'teardown', 12);
    begun('waits', lantern, 'teardown', 0);
    bench.decided(lantern, 'build', 'match');
    bench.identified(lantern, 'prove');
    bench.act('unit-decided', 'prove', { disposition: 'as-is', proposed: 'as-is', apartPlace: null });
    const units = ['waits', 'match', 'long', 'prove', 'short'].map((id) => bench.unit(id));
    const stages = Object.fromEntries(units.map(({ id, stage }) => [id, stage]));
    expect(stages).toMatchObject({ match: 'match', prove: 'prove', waits: 'teardown' });
    const shelf = Object.fromEntries(lantern.parts.map(({ interchange }) => [interchange, []]));
    const jobs = planToday({ units, models: shippedModels, waiting, shelf });
    expect(jobs.filter(({ tag }) => tag !== null).map(({ id, kind }) => [id, kind])).toEqual([
      ['short', 'go-on'],
      ['long', 'go-on'],
      ['prove', 'prove'],
      ['match', 'match'],
      ['waits', 'teardown'],
    ]);
  });
});
