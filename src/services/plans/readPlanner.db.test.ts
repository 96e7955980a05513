import type { Fact, RecordedFact } from '@/core/shop/facts';
import { startingHouseRules } from '@/core/shared/houseRules';
import { knowledgeOf } from '@/core/teardown/plan/knowledgeOf';
import { planTeardown } from '@/core/teardown/plan/planTeardown';
import { readStepId } from '@/core/teardown/sheet/sheetStep';
import { factsAfter } from '@/data/facts/factRepository';
import { newestModels } from '@/data/models/modelRepository';
import { readTallies } from '@/data/tallies/readTallies';
import { resistanceCounts } from '@/data/yields/resistanceCounts';
import { demoDay, demoScratch, type Scratch } from '../../../tests/support/scratch';
import { readPlanner } from './readPlanner';

let scratch: Scratch;
const now = demoDay;
let log: readonly RecordedFact[];
const lantern = 'oddkin-lantern-5';
beforeAll(async () => {
  scratch = await demoScratch(demoDay);
  log = await factsAfter(scratch.db, 0, 100_000);
}, 120_000);
afterAll(() => scratch.drop());

describe('readPlanner', () => {
  test('reads the newest version for a model, and the unit’s own for a unit', async () => {
    const reed = await readPlanner(scratch.db, 'brinewell-reed-2', now);
    expect(reed?.unit).toBeNull();
    const old = (await scratch
      .db('units')
      .where({ model_id: 'brinewell-reed-2' })
      .andWhere('model_version', '<', reed?.model.version ?? 0)
      .first()) as { tag: string; model_version: number };
    const forUnit = await readPlanner(scratch.db, 'brinewell-reed-2', now, old.tag);
    expect([forUnit?.unit?.tag, forUnit?.model.version]).toEqual([old.tag, old.model_version]);
    // A unit of another model is not planned with this one.
    expect((await readPlanner(scratch.db, lantern, now, old.tag))?.unit).toBeNull();
    expect(await readPlanner(scratch.db, 'nobody-knows', now)).toBeUndefined();
  });

  test('donors are those that nobody has begun to open', async () => {
    for (const { id } of (await scratch.db('models').distinct('id')) as { id: string }[]) {
      const view = await readPlanner(scratch.db, id, now);
      for (const donor of view?.donors ?? []) {
        expect([donor.modelId, donor.stage]).toEqual([id, 'teardown']);
        expect(donor.sheet?.doneStepIds ?? []).toEqual([]);
      }
    }
  });

  test('stock and use come from the shelf and the log, and what the log says of parts is marked as seen', async () => {
    const view = await readPlanner(scratch.db, lantern, now);
    if (!view) throw new Error('no planner');
    for (const [interchange, { stock, usedPerMonth }] of Object.entries(view.ground.market)) {
      const [{ n }] = (await scratch.db('parts').where({ place: 'shelf', interchange }).count('* as n')) as [
        { n: number },
      ];
      expect([interchange, stock]).toEqual([interchange, Number(n)]);
      expect(usedPerMonth).toBeGreaterThan(0);
    }
    const known = knowledgeOf(view.model, 'standard', view.ground, startingHouseRules);
    for (const { part, isSeen, lowChance, chance, highChance } of known) {
      expect(isSeen).toBe(view.ground.shares[part] !== undefined);
      expect(lowChance <= chance && chance <= highChance).toBe(true);
    }
    const request = {
      aim: { kind: 'pays' as const },
      parts: known,
      scrap: [],
      revision: 'a',
      configuration: 'standard',
    };
    expect(planTeardown(view.model, { ...request, findings: [] }, startingHouseRules).ok).toBe(true);
  });

  test('what a joint’s ways came to is what anybody counts from the log by hand', async () => {
    let tried = 0;
    for (const { id } of await newestModels(scratch.db)) {
      const about = new Map<string, { rung: number; isDone: boolean }>();
      const units = new Set(
        ((await scratch.db('units').where({ model_id: id }).select('id')) as { id: string }[]).map((unit) => unit.id),
      );
      for (const { type, subjectId, payload } of log) {
        if (!units.has(subjectId) || (type !== 'step-done' && type !== 'step-resisted')) continue;
        const { stepId, rung = 0 } = payload as Fact<'step-resisted'>['payload'];
        if (!stepId.startsWith('out:')) continue;
        const before = about.get(`${subjectId} ${stepId}`) ?? { rung: 0, isDone: false };
        about.set(`${subjectId} ${stepId}`, {
          rung: Math.max(before.rung, rung),
          isDone: before.isDone || type === 'step-done',
        });
      }
      const byHand = new Map<string, number>();
      for (const [key, { rung, isDone }] of about) {
        const name = `${readStepId(key.split(' ')[1] as string).id} ${rung} ${isDone}`;
        byHand.set(name, (byHand.get(name) ?? 0) + 1);
      }
      const counts = resistanceCounts(await readTallies(scratch.db, ['resisted']))[id] ?? [];
      expect(Object.fromEntries(counts.map((c) => [`${c.operationId} ${c.rung} ${c.hasYielded}`, c.count]))).toEqual(
        Object.fromEntries(byHand),
      );
      tried += counts.filter(({ rung }) => rung > 0).length;
    }
    expect(tried).toBeGreaterThan(0);
  });

  test('the demo’s history is the simulator’s: nothing broke that the models do not put at risk', async () => {
    const models = await newestModels(scratch.db);
    const atRisk = new Set(
      models.flatMap(({ operations }) =>
        operations.flatMap(({ id, risks = [] }) => risks.map(({ part }) => `out:${id} ${part}`)),
      ),
    );
    const broken = log
      .filter(({ type }) => type === 'part-trouble')
      .map(({ payload }) => payload as Fact<'part-trouble'>['payload'])
      .filter(({ state }) => state === 'broken-by-us');
    expect(broken.length).toBeGreaterThan(3);
    for (const { stepId, partRef } of broken) expect(atRisk).toContain(`${stepId} ${partRef}`);
  });
});
