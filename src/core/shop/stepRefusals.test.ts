import { TestBench } from '../../../tests/support/bench';
import { phone, shippedModels } from '../../../tests/support/models';
import type { SheetState } from '@/core/entities/entities';
import type { Model } from '@/core/procedure/model';
import { sheetOf } from '@/core/sheet/sheetOf';
import { rungNow } from '@/core/sheet/rungNow';
import { nextStep, partsToTag } from '@/core/sheet/sheetSteps';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { definitions } from './facts';

/** A refusal at the bench names the unit, and what else it is about: whole, since a person reads it. */
const targets = ['display', 'battery'];
function donor(model: Model = phone, wanted = targets): TestBench {
  const bench = new TestBench();
  bench.decided(model, 'donor');
  expect(bench.act('sheet-started', 'u', { kind: 'teardown', targets: wanted, keeping: 'tray' })).toBe('ok');
  return bench;
}

function at(bench: TestBench, model: Model = phone): SheetStep {
  const unit = bench.unit();
  const planned = unit.sheet && sheetOf(model, unit, unit.sheet);
  const step = planned?.ok && unit.sheet ? nextStep(planned.value.steps, unit.sheet) : undefined;
  if (!step) throw new Error('no step is left');
  return step;
}

function until(bench: TestBench, isIt: (step: SheetStep) => boolean, model: Model = phone): SheetStep {
  for (;;) {
    const step = at(bench, model);
    if (isIt(step)) return step;
    bench.passes(3600);
    expect(bench.step(model)).toBe('ok');
  }
}
const tagged = { tag: 'T-u' };

describe('a sheet is started', () => {
  const start = (bench: TestBench, kind: 'teardown' | 'rebuild' = 'teardown') =>
    bench.act('sheet-started', 'u', { kind, targets, keeping: 'mat' });

  test('of the kind of its stage, and not over one that is under way', () => {
    const bench = donor();
    expect(start(bench, 'rebuild')).toEqual({ reason: 'wrong-stage', values: { ...tagged, stage: 'teardown' } });
    // Nothing is done yet: it may be started anew, otherwise.
    expect(start(bench)).toBe('ok');
    expect(bench.unit().sheet).toMatchObject({ keeping: 'mat', targets, doneStepIds: [], isHalted: false });
    expect(bench.step(phone)).toBe('ok');
    expect(start(bench)).toEqual({ reason: 'sheet-open', values: tagged });
    expect(bench.act('sheet-closed', 'u', { because: 'enough' })).toBe('ok');
  });

  test('a donor that starts is wiped first; one that does not start has nothing to wipe', () => {
    const begin = (given: object) => {
      const bench = new TestBench();
      bench.decided(phone, 'donor');
      bench.world.put('unit', { ...bench.unit(), ...given });
      return start(bench);
    };
    expect(begin({ tests: { starts: 'sound' }, isWiped: false })).toEqual({ reason: 'not-wiped', values: tagged });
    expect(begin({ tests: { starts: 'sound' }, isWiped: true })).toBe('ok');
    expect(begin({ tests: { starts: 'fault' }, isWiped: false })).toBe('ok');
  });

  test('what is wanted must be there to be freed', () => {
    const bench = new TestBench();
    bench.decided(phone, 'donor');
    const outcome = bench.act('sheet-started', 'u', { kind: 'teardown', targets: ['wings'], keeping: 'tray' });
    expect(outcome).toMatchObject({ reason: 'targets-unreachable' });
    expect(bench.unit().sheet).toBeNull();
  });

  test('what began before is over: its timer too', () => {
    const bench = donor();
    const timer = { stepId: 'x', fixture: 'hot plate', place: 1, minutes: 3, beganAt: bench.now };
    bench.world.put('unit', { ...bench.unit(), timer });
    expect(start(bench)).toBe('ok');
    expect(bench.unit().timer).toBeNull();
  });
});

describe('a step', () => {
  const done = (bench: TestBench, stepId: string, given: object = {}) =>
    bench.act('step-done', 'u', { stepId, seconds: 5, freed: [], ...given });

  test('is done in its turn, once, on a sheet that is open', () => {
    const bench = donor();
    const first = at(bench);
    expect(done(bench, 'out:nowhere')).toEqual({ reason: 'step-not-next', values: tagged });
    expect(bench.step(phone)).toBe('ok');
    expect(done(bench, first.id)).toEqual({ reason: 'step-done-already', values: tagged });
    expect(bench.act('sheet-closed', 'u', { because: 'enough' })).toBe('ok');
    bench.world.put('unit', { ...bench.unit(), stage: 'teardown' });
    expect(done(bench, 'out:nowhere')).toEqual({ reason: 'step-not-next', values: tagged });
  });

  test('frees exactly its parts: none too many, none too few, none twice', () => {
    const bench = donor();
    const tagsOf = (step: SheetStep) => partsToTag(phone, bench.unit().sheet as SheetState, step).map(({ id }) => id);
    const step = until(bench, (next) => tagsOf(next).length > 0);
    const expected = tagsOf(step);
    const freed = expected.map((partRef, index) => ({ partId: `n${index}`, partRef, state: 'sound' as const }));
    const wrong = { reason: 'bad-input', values: expect.objectContaining({ field: 'freed' }) as unknown };
    expect(done(bench, step.id)).toEqual(wrong);
    expect(done(bench, step.id, { freed: [...freed, { partId: 'm', partRef: 'wings', state: 'sound' }] })).toEqual(
      wrong,
    );
    expect(done(bench, step.id, { freed: freed.map((item) => ({ ...item, partRef: 'wings' })) })).toEqual(wrong);
    expect(JSON.stringify(done(bench, step.id))).toContain(expected[0]);
    expect(done(bench, step.id, { freed })).toBe('ok');
    expect(bench.parts()).toHaveLength(expected.length);
  });

  test('that frees nothing says so', () => {
    const bench = donor();
    const step = until(bench, ({ frees }) => frees.length === 0);
    const freed = [{ partId: 'n', partRef: 'display', state: 'sound' }];
    expect(JSON.stringify(done(bench, step.id, { freed }))).toContain('thisStepFreesNothing');
  });

  test('ends only in ways that its operation has, and only on the way out', () => {
    const bench = donor();
    expect(done(bench, at(bench).id, { endId: 'sideways' })).toEqual({
      reason: 'bad-input',
      values: { field: 'endId', says: expect.objectContaining({ code: 'refusals.thisStepHasNoSuch' }) as unknown },
    });
  });

  test('what is missing makes no part, what broke is scrap, what is sound is graded', () => {
    const states = ['sound', 'suspect', 'broken-before', 'broken-by-us', 'missing'] as const;
    const places = states.map((state) => {
      const bench = donor(phone, ['motor']);
      const step = until(bench, (next) => next.frees.includes('motor'));
      const parts = partsToTag(phone, bench.unit().sheet as SheetState, step);
      const freed = parts.map(({ id }) => ({ partId: `new-${id}`, partRef: id, state, tag: `P-${id}` }));
      expect(done(bench, step.id, { freed })).toBe('ok');
      const made = bench.world.find('part', 'new-motor');
      return made ? [made.place, made.grade, made.limiting, made.tag] : null;
    });
    expect(places).toEqual([
      ['grade', null, null, 'P-motor'],
      ['grade', null, null, 'P-motor'],
      ['scrap', 'X', 'broken-before', 'P-motor'],
      ['scrap', 'X', 'broken-by-us', 'P-motor'],
      null,
    ]);
  });

  test('tags are asked for the parts that are there, and written in in their order', () => {
    const { tagsNeeded, completed } = definitions['step-done'];
    const freed = [
      { partId: 'a', partRef: 'a', state: 'sound' as const },
      { partId: 'b', partRef: 'b', state: 'missing' as const },
      { partId: 'c', partRef: 'c', state: 'suspect' as const },
    ];
    const said = { stepId: 'out:x', seconds: 1, freed };
    expect(tagsNeeded(said)).toEqual({ unit: 0, part: 2 });
    const { freed: kept } = completed(said, { unitTags: [], partTags: ['P-1', 'P-2'], changes: [], bits: [] });
    expect(kept).toEqual([{ ...freed[0], tag: 'P-1' }, freed[1], { ...freed[2], tag: 'P-2' }]);
  });
});

describe('what a step has not', () => {
  test('no further rung than its ladder has, and none left out', () => {
    const bench = donor();
    const step = until(bench, ({ operationId }) =>
      phone.operations.some(({ id, ladder }) => id === operationId && (ladder?.rungs.length ?? 0) > 0),
    );
    const rungs = phone.operations.find(({ id }) => id === step.operationId)?.ladder?.rungs.length ?? 0;
    const resist = (rung: number) => bench.act('step-resisted', 'u', { stepId: step.id, rung, seconds: 20 });
    expect(resist(2)).toEqual({ reason: 'no-further-rung', values: tagged });
    for (let rung = 1; rung <= rungs; rung += 1) expect(resist(rung)).toBe('ok');
    expect(resist(rungs + 1)).toEqual({ reason: 'no-further-rung', values: tagged });
    expect(resist(0)).toEqual({ reason: 'no-further-rung', values: tagged });
    // Handed over it stays at the rung it was tried on, whoever says so; on any other it is not.
    const handOver = (rung: number) =>
      bench.act('step-resisted', 'u', { stepId: step.id, rung, seconds: 20, isHandedOver: true });
    expect(handOver(rungs - 1)).toEqual({ reason: 'no-further-rung', values: tagged });
    expect(handOver(rungs)).toBe('ok');
    expect(rungNow(bench.unit().sheet as SheetState, step.id)).toBe(rungs);
    expect(bench.unit().sheet?.resistances.map(({ rung }) => rung)).toEqual([
      ...Array.from({ length: rungs }, (_, index) => index + 1),
      rungs,
    ]);
  });

  test('no gate to judge, no torque to read, nothing to reuse, nothing to wait for', () => {
    const bench = donor();
    const stepId = until(bench, ({ wait, leg }) => wait === null && leg === 'out').id;
    expect(bench.act('gate-judged', 'u', { stepId, hasPassed: true })).toEqual({
      reason: 'step-not-next',
      values: tagged,
    });
    expect(bench.act('torque-read', 'u', { stepId, jointId: 'none', newtonCm: 4, isKept: false })).toEqual({
      reason: 'bad-input',
      values: { field: 'jointId', says: expect.objectContaining({ code: 'refusals.noScrewOfThisStep' }) as unknown },
    });
    expect(bench.act('reuse-judged', 'u', { stepId, partRef: 'display', isReused: true })).toEqual({
      reason: 'bad-input',
      values: {
        field: 'partRef',
        says: expect.objectContaining({ code: 'refusals.thisStepAsksNothingAbout' }) as unknown,
      },
    });
    expect(bench.act('wait-begun', 'u', { stepId, fixture: 'bench', place: 1, minutes: 1 })).toEqual({
      reason: 'step-not-next',
      values: tagged,
    });
  });

  test('a fixture that another unit waits on is named with it; the wrong one is refused with the right one', () => {
    const bench = donor();
    const step = until(bench, ({ wait }) => wait !== null && wait.fixture !== 'bench');
    const { fixture = '', minutes = 0 } = step.wait ?? {};
    const begin = (id: string, on: string, place: number) =>
      bench.act('wait-begun', id, { stepId: step.id, fixture: on, place, minutes });
    const wrong = begin('u', 'oven', 1);
    expect(wrong).toMatchObject({ reason: 'bad-input', values: { field: 'fixture' } });
    expect(JSON.stringify(wrong)).toContain(fixture);
    expect(begin('u', fixture, 3)).toBe('ok');
    expect(begin('u', fixture, 4)).toEqual({ reason: 'wait-running', values: tagged });
    bench.decided(phone, 'donor', 'v');
    bench.act('sheet-started', 'v', { kind: 'teardown', targets, keeping: 'tray' });
    while (bench.unit('v').sheet?.doneStepIds.length !== bench.unit().sheet?.doneStepIds.length) bench.step(phone, 'v');
    expect(begin('v', fixture, 3)).toEqual({ reason: 'fixture-taken', values: { fixture, place: 3, tag: 'T-u' } });
  });
});

describe('a hazard', () => {
  function halted(): TestBench {
    const bench = donor();
    const { sheet } = bench.unit();
    bench.world.put('unit', { ...bench.unit(), sheet: { ...(sheet as SheetState), isHalted: true } });
    return bench;
  }

  test('stops work, passing over and waiting; what is found and asked can still be said', () => {
    const bench = halted();
    const stepId = at(bench).id;
    const stopped = { reason: 'sheet-halted', values: tagged };
    expect(bench.act('step-done', 'u', { stepId, seconds: 1, freed: [] })).toEqual(stopped);
    expect(bench.act('step-skipped', 'u', { stepId, because: 'not-there' })).toEqual(stopped);
    expect(bench.act('wait-begun', 'u', { stepId, fixture: 'bench', place: 1, minutes: 1 })).toEqual(stopped);
    expect(bench.act('screw-trouble', 'u', { stepId, kind: 'stuck', count: 1 })).toBe('ok');
    expect(bench.act('part-trouble', 'u', { stepId, partRef: 'display', state: 'suspect', defectCode: null })).toBe(
      'ok',
    );
    expect(bench.unit().sheet).toMatchObject({
      isHalted: true,
      screwTroubles: [{ stepId, kind: 'stuck', count: 1 }],
      partTroubles: [{ stepId, partRef: 'display', state: 'suspect', defectCode: null }],
    });
    expect(bench.act('hazard-cleared', 'u', {})).toBe('ok');
    expect(bench.unit().sheet?.isHalted).toBe(false);
    expect(bench.step(phone)).toBe('ok');
  });

  test('without a sheet there is nothing to clear', () => {
    const bench = new TestBench();
    bench.decided(phone, 'donor');
    expect(bench.act('hazard-cleared', 'u', {})).toEqual({ reason: 'step-not-next', values: tagged });
  });
});

describe('on the way back', () => {
  const model = shippedModels.find(({ name }) => name === 'Reed 2') as Model;
  const slot = model.parts.find((part) => part.slot === 'functional')?.id ?? '';
  function rebuilding(): TestBench {
    const bench = new TestBench();
    bench.decided(model, 'build');
    bench.rebuilding(model, [slot]);
    return bench;
  }

  test('the part that was set aside is fitted where it belongs, and is no one else’s any more', () => {
    const bench = rebuilding();
    const step = until(bench, ({ leg, places }) => leg === 'back' && places.includes(slot), model);
    expect(bench.unit().assigned).toEqual({ [slot]: `spare-${slot}` });
    expect(step.places).toContain(slot);
    expect(bench.step(model)).toBe('ok');
    expect(bench.unit()).toMatchObject({ assigned: {}, fitted: { [slot]: `spare-${slot}` } });
    expect(bench.world.find('part', `spare-${slot}`)).toMatchObject({ place: 'fitted', bin: null });
  });

  test('not a part that is not on record any more', () => {
    const bench = rebuilding();
    const step = until(bench, ({ leg, places }) => leg === 'back' && places.includes(slot), model);
    bench.world.tables.part.delete(`spare-${slot}`);
    expect(bench.act('step-done', 'u', { stepId: step.id, seconds: 1, freed: [] })).toEqual({
      reason: 'not-found',
      values: { id: `spare-${slot}` },
    });
  });

  test('a gate is passed by looking, not by doing or passing over', () => {
    const bench = new TestBench();
    const gated = shippedModels.find(({ operations }) => operations.some(({ back }) => back?.gate)) as Model;
    const wanted = gated.parts.filter(({ slot: kind }) => kind === 'functional').map(({ id }) => id);
    bench.decided(gated, 'build');
    bench.rebuilding(gated, wanted);
    const step = until(bench, ({ leg }) => leg === 'gate', gated);
    expect(bench.act('step-done', 'u', { stepId: step.id, seconds: 1, freed: [] })).toEqual({
      reason: 'gate-not-passed',
      values: tagged,
    });
    expect(bench.act('step-skipped', 'u', { stepId: step.id, because: 'done-already' })).toEqual({
      reason: 'not-skipped',
      values: tagged,
    });
    expect(bench.act('gate-judged', 'u', { stepId: step.id, hasPassed: false })).toBe('ok');
    expect(at(bench, gated).id).toBe(step.id);
    expect(bench.act('gate-judged', 'u', { stepId: step.id, hasPassed: true })).toBe('ok');
    expect(bench.unit().sheet?.doneStepIds).toContain(step.id);
  });
});
