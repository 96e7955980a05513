import { handset, phone, shippedModels } from '../../../tests/support/models';
import { TestBench } from '../../../tests/support/bench';
import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import { clausesOf, operationsFor } from '@/core/procedure/situation';
import { findings } from '@/core/procedure/vocabulary';
import { Chance } from '@/core/shared/chance';
import { expectedMinutes } from '@/core/teardown/attendedMinutes';
import { chooseOperations } from '@/core/teardown/chooseOperations';
import type { RunSheet } from '@/core/teardown/sheet/runSheet';
import type { SheetState, Unit } from '../entities/entities';
import { replanSheet, type Deviation, type Replan } from './replanSheet';
import { sheetOf } from './sheetOf';
import { defaultTargets, nextStep } from './sheetSteps';
import { withFindings } from '@/core/findings/mark';
import { scrapBy } from '@/core/findings/partHarm';

type UnitOnSheet = Unit & { readonly sheet: SheetState };

function onSheet(bench: TestBench): UnitOnSheet {
  const unit = bench.unit();
  if (!unit.sheet) throw new Error('no sheet');
  return { ...unit, sheet: unit.sheet };
}

function sheetNow(model: Model, unit: UnitOnSheet): RunSheet {
  const outcome = sheetOf(model, unit, unit.sheet);
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.refusal));
  return outcome.value;
}

/** Starts a teardown and does so many steps of it. */
function underWay(model: Model, targets: readonly string[], steps: number): TestBench {
  const bench = new TestBench();
  bench.decided(model, 'donor');
  bench.act('sheet-started', 'u', { kind: 'teardown', targets, keeping: 'tray' });
  for (let at = 0; at < steps; at += 1) bench.step(model);
  return bench;
}

function replanned(model: Model, bench: TestBench, deviation: Deviation): Replan {
  const unit = onSheet(bench);
  const outcome = replanSheet(model, unit, sheetNow(model, unit), deviation);
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.refusal));
  return outcome.value;
}

const likelyRest = (sheet: RunSheet, done: readonly string[]) =>
  sheet.steps.filter(({ id, leg }) => leg === 'out' && !done.includes(id)).map(({ operationId }) => operationId);

/** The rest of the way out is feasible, asks nothing again and costs what a fresh solve says. */
function expectGoodRest(model: Model, unit: UnitOnSheet, before: RunSheet, sheet: RunSheet): void {
  const { sheet: state } = unit;
  const done = state.doneStepIds;
  expect(sheet.steps.slice(0, done.length).map(({ id }) => id)).toEqual(done);
  expect(new Set(sheet.steps.map(({ id }) => id)).size).toBe(sheet.steps.length);
  for (const { id, cups } of before.steps.filter((step) => done.includes(step.id) && step.leg === 'out')) {
    const kept = sheet.steps.find((step) => step.id === id)?.cups.map(({ cup }) => cup);
    expect(kept).toEqual(cups.map(({ cup }) => cup));
  }
  const doneOut = new Set(done.filter((id) => id.startsWith('out:')).map((id) => id.slice(4)));
  const isDone = ({ id }: Operation) => doneOut.has(id);
  const all = [...model.operations.filter(isDone), ...operationsFor(model, { ...unit, findings: state.findings })];
  const existing = [...new Map(all.map((operation) => [operation.id, operation])).values()];
  const byId = new Map(existing.map((operation) => [operation.id, operation]));
  const soFar = new Set(doneOut);
  for (const id of likelyRest(sheet, done) as string[]) {
    const operation = byId.get(id) as Operation;
    for (const any of clausesOf(operation, byId)) expect(any.some((other) => soFar.has(other))).toBe(true);
    expect(soFar.has(id)).toBe(false);
    expect(state.barred).not.toContain(id);
    soFar.add(id);
  }
  const scrap = scrapBy(model, withFindings(unit, state.findings));
  const cost = (operation: Operation) => (isDone(operation) ? 0 : expectedMinutes(operation, state.findings));
  // What is done asks for nothing any more, whatever was found since: tape is for glass that is still to be warmed.
  const asking = existing.map((operation) => (isDone(operation) ? { ...operation, after: [] } : operation));
  const fresh = chooseOperations(asking, state.targets, cost, ({ id, destroys = [] }) => {
    return doneOut.has(id) || (!state.barred.includes(id) && destroys.every((part) => scrap.includes(part)));
  });
  if (!fresh.ok) throw new Error('the fresh solve does not reach what the sheet reaches');
  const rest = likelyRest(sheet, done) as string[];
  expect(rest.reduce((sum, id) => sum + cost(byId.get(id) as Operation), 0)).toBeCloseTo(fresh.value.cost, 6);
}

describe('replanSheet', () => {
  test.each(shippedModels.map((model) => [model.name, model] as const))(
    '%s: after any deviations the rest is feasible, as short as a fresh solve, and nothing is asked again',
    (_, model) => {
      for (let seed = 1; seed <= 6; seed += 1) {
        const chance = new Chance(seed);
        const targets = defaultTargets(model, model.configurations[0]?.id ?? null).filter(() => chance.happens(0.7));
        if (targets.length === 0) continue;
        const bench = underWay(model, targets, 0);
        while (bench.unit().stage === 'teardown') {
          const unit = onSheet(bench);
          const before = sheetNow(model, unit);
          if (!chance.happens(0.25)) {
            bench.step(model);
            continue;
          }
          const step = nextStep(before.steps, unit.sheet);
          const deviation = chance.pick<Deviation>([
            { because: 'found', finding: chance.pick(findings) },
            { because: 'will-not-yield', operationId: step?.operationId ?? '' },
            { because: 'wanted', targets: unit.sheet.targets.filter(() => chance.happens(0.8)) },
          ]);
          const { payload, sheet } = replanned(model, bench, deviation);
          expect(bench.act('sheet-replanned', 'u', payload)).toBe('ok');
          expectGoodRest(model, { ...unit, ...onSheet(bench) }, before, sheet);
          if (bench.unit().stage === 'teardown') expect(sheetNow(model, onSheet(bench))).toEqual(sheet);
        }
      }
    },
  );

  test('an earlier repair that is found half way brings its own steps in and keeps what is done', () => {
    const bench = underWay(phone, ['battery', 'camera'], 3);
    const { difference, sheet } = replanned(phone, bench, { because: 'found', finding: 'opened-before' });
    expect(sheet.steps.slice(0, 3).map(({ id }) => id)).toEqual(bench.unit().sheet?.doneStepIds);
    expect(difference?.added.length).toBeGreaterThan(0);
    expect(difference?.minutes).toBeGreaterThan(0);
  });

  test('what changes nothing is said to change nothing', () => {
    const bench = underWay(handset, ['battery'], 0);
    expect(replanned(handset, bench, { because: 'wanted', targets: ['battery'] }).difference).toBeNull();
  });

  test('a joint that will not yield takes what lies behind it off the list; other parts stay wanted', () => {
    const bench = underWay(phone, ['battery', 'camera'], 0);
    const stuck = 'strip';
    const { difference, payload } = replanned(phone, bench, { because: 'will-not-yield', operationId: stuck });
    expect(payload.barred).toEqual([stuck]);
    expect(payload.targets).toEqual(['camera']);
    expect(difference?.left).toEqual(['battery']);
  });

  test('when nothing is left to do the sheet closes, and taking it back opens it again', () => {
    const bench = underWay(phone, ['battery'], 2);
    const { payload } = replanned(phone, bench, { because: 'wanted', targets: [] });
    bench.act('sheet-replanned', 'u', payload, { id: 'the-replan' });
    expect([bench.unit().stage, bench.unit().sheet?.isClosed]).toEqual(['spent', true]);
    bench.act('undone', 'u', { factId: 'the-replan' });
    expect([bench.unit().stage, bench.unit().sheet?.targets]).toEqual(['teardown', ['battery']]);
  });

  test('on a rebuild the way back begins with what is out, and a part can come out once more', () => {
    const bench = new TestBench();
    bench.decided(phone, 'build');
    bench.world.put('unit', { ...bench.unit(), stage: 'rebuild' });
    bench.act('sheet-started', 'u', { kind: 'rebuild', targets: ['battery'], keeping: 'tray' });
    while (!nextStep(sheetNow(phone, onSheet(bench)).steps, onSheet(bench).sheet)?.id.startsWith('back:')) {
      bench.step(phone);
    }
    bench.step(phone);
    const unit = onSheet(bench);
    const { targets, findings: found, barred } = unit.sheet;
    const payload = { because: 'wanted', targets, findings: found, barred, again: ['battery'] } as const;
    const back = unit.sheet.doneStepIds.filter((id) => id.startsWith('back:'));
    expect(bench.act('sheet-replanned', 'u', payload)).toBe('ok');
    const rest = sheetNow(phone, onSheet(bench)).steps.filter(({ id }) => !unit.sheet.doneStepIds.includes(id));
    // What was put back is taken out a second time, and its screws are not in the tray twice.
    expect(rest[0]?.id).toBe(`out:${back[0]?.slice(5)}~2`);
    bench.finishSheet(phone);
    expect(bench.unit().stage).toBe('prove');
    const closed = sheetNow(phone, onSheet(bench)).steps;
    const opened = closed.filter(({ leg }) => leg === 'out').flatMap(({ joints }) => joints.map(({ id }) => id));
    const shut = closed.filter(({ leg }) => leg === 'back').flatMap(({ joints }) => joints.map(({ id }) => id));
    const left = phone.operations.flatMap(({ back: way }) => way?.leaves?.map(({ joint }) => joint) ?? []);
    expect(shut.sort()).toEqual(opened.filter((id) => !left.includes(id)).sort());
  });
});

describe('step-resisted', () => {
  const ladder = phone.operations.find(({ id }) => id === 'strip')?.ladder;

  test('goes up the ladder rung by rung, and says when there is no further one', () => {
    const bench = underWay(phone, ['battery'], 0);
    while (nextStep(sheetNow(phone, onSheet(bench)).steps, onSheet(bench).sheet)?.operationId !== 'strip')
      bench.step(phone);
    const resist = (rung: number) => bench.act('step-resisted', 'u', { stepId: 'out:strip', rung, seconds: 60 });
    expect(resist(2)).toMatchObject({ reason: 'no-further-rung' });
    for (let rung = 1; rung <= (ladder?.rungs.length ?? 0); rung += 1) expect(resist(rung)).toBe('ok');
    expect(resist((ladder?.rungs.length ?? 0) + 1)).toMatchObject({ reason: 'no-further-rung' });
    expect(bench.step(phone)).toBe('ok');
  });
});
