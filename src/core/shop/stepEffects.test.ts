import { say } from '@/words/catalogue/core/sheet';
import { startingHouseRules, type HouseRules } from '@/core/shared/houseRules';
import { TestBench } from '../../../tests/support/bench';
import { shippedModels } from '../../../tests/support/models';
import type { Model } from '@/core/procedure/model';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { sheetOf } from '../sheet/sheetOf';
import { defaultTargets, nextStep } from '../sheet/sheetSteps';

const named = (name: string): Model => shippedModels.find((model) => model.name === name) as Model;
const lantern = named('Lantern 5');
const sedge = named('Sedge 8');

function stepsOf(bench: TestBench, model: Model): readonly SheetStep[] {
  const unit = bench.unit();
  const sheet = unit.sheet && sheetOf(model, unit, unit.sheet);
  if (!sheet?.ok) throw new Error('no sheet');
  return sheet.value.steps;
}

const nextOf = (bench: TestBench, model: Model) =>
  nextStep(stepsOf(bench, model), bench.unit().sheet as { doneStepIds: readonly string[] }) as SheetStep;

function donor(
  model: Model,
  targets = defaultTargets(model, model.configurations[0]?.id ?? null),
  rules: HouseRules = startingHouseRules,
): TestBench {
  const bench = new TestBench(shippedModels, false, rules);
  bench.decided(model, 'donor');
  const begun = bench.act('sheet-started', 'u', { kind: 'teardown', targets, keeping: 'tray' });
  if (begun !== 'ok') throw new Error(JSON.stringify(begun));
  return bench;
}

function until(bench: TestBench, model: Model, isIt: (step: SheetStep) => boolean, secondsEach = 600): SheetStep {
  for (let step = nextOf(bench, model); ; step = nextOf(bench, model)) {
    if (isIt(step)) return step;
    const done = bench.step(model);
    if (done !== 'ok') throw new Error(JSON.stringify(done));
    bench.passes(secondsEach);
  }
}

describe('a wait on a fixture', () => {
  test('runs from the fact that began it, holds its place, and is over when the step is done', () => {
    const bench = donor(lantern);
    const step = until(bench, lantern, ({ wait }) => wait !== null);
    const wait = step.wait as NonNullable<SheetStep['wait']>;
    const begin = (place: number, fixture = wait.fixture) =>
      bench.act('wait-begun', 'u', { stepId: step.id, fixture, place, minutes: wait.minutes });
    expect(begin(1, 'oven')).toMatchObject({ reason: 'bad-input', values: { field: 'fixture' } });
    expect(begin(1)).toBe('ok');
    expect(bench.unit().timer).toEqual({ stepId: step.id, ...wait, what: undefined, place: 1, beganAt: bench.now });
    expect(begin(2)).toMatchObject({ reason: 'wait-running' });

    bench.decided(lantern, 'donor', 'v');
    const targets = defaultTargets(lantern, lantern.configurations[0]?.id ?? null);
    bench.act('sheet-started', 'v', { kind: 'teardown', targets, keeping: 'tray' });
    while (bench.unit('v').sheet?.doneStepIds.length !== bench.unit().sheet?.doneStepIds.length)
      bench.step(lantern, 'v');
    const second = (place: number) =>
      bench.act('wait-begun', 'v', { stepId: step.id, fixture: wait.fixture, place, minutes: wait.minutes });
    expect(second(1)).toMatchObject({ reason: 'fixture-taken', values: { tag: 'T-u' } });
    expect(second(2)).toBe('ok');

    expect(bench.step(lantern)).toBe('ok');
    expect(bench.unit().timer).toBeNull();
  });

  test('begins on a fixture that the shop has, and on no other', () => {
    const fixtures = { ...startingHouseRules.fixtures, 'hot plate': 2 };
    const bench = donor(lantern, undefined, { ...startingHouseRules, fixtures });
    const step = until(bench, lantern, ({ wait }) => wait?.fixture === 'hot plate');
    const begin = (place: number) =>
      bench.act('wait-begun', 'u', { stepId: step.id, fixture: 'hot plate', place, minutes: 3 });
    expect(begin(3)).toMatchObject({ reason: 'fixture-full', values: { fixture: 'hot plate', count: 2 } });
    expect(bench.unit().timer).toBeNull();
    expect(begin(2)).toBe('ok');
  });

  test('only a step that waits has one', () => {
    const bench = donor(lantern);
    const step = until(bench, lantern, ({ wait }) => wait === null);
    const payload = { stepId: step.id, fixture: 'bench', place: 1, minutes: 3 };
    expect(bench.act('wait-begun', 'u', payload)).toMatchObject({ reason: 'step-not-next' });
  });
});

describe('solvent locks heat', () => {
  test('until the time to air has passed since it was put on, whatever is done meanwhile', () => {
    const bench = donor(sedge);
    const wet = until(bench, sedge, ({ operationId }) => operationId === 'wet');
    bench.act('wait-begun', 'u', { stepId: wet.id, fixture: 'bench', place: 1, minutes: wet.wait?.minutes ?? 0 });
    const locked = bench.unit().sheet?.heatLockedUntil as string;
    expect(Date.parse(locked) - Date.parse(bench.now)).toBe(8 * 60_000);
    bench.passes(60);
    bench.step(sedge);
    expect(bench.unit().sheet?.heatLockedUntil).toBe(locked);
    const warm = until(bench, sedge, ({ operationId }) => operationId === 'warm-frame', 0);
    expect(bench.step(sedge)).toMatchObject({ reason: 'heat-locked', values: { minutes: 7 } });
    expect(nextOf(bench, sedge).id).toBe(warm.id);
    bench.passes(7 * 60);
    expect(bench.step(sedge)).toBe('ok');
  });

  test('a log from before that rule stands as it is', () => {
    const past = new TestBench(shippedModels, true);
    past.decided(sedge, 'donor');
    const targets = defaultTargets(sedge, sedge.configurations[0]?.id ?? null);
    past.act('sheet-started', 'u', { kind: 'teardown', targets, keeping: 'tray' });
    until(past, sedge, ({ operationId }) => operationId === 'warm-frame', 0);
    expect(past.step(sedge)).toBe('ok');
  });

  test('a wait that nobody timed locks from the moment the step is done', () => {
    const bench = donor(sedge);
    until(bench, sedge, ({ operationId }) => operationId === 'wet');
    bench.step(sedge);
    until(bench, sedge, ({ operationId }) => operationId === 'warm-frame', 0);
    expect(bench.step(sedge)).toMatchObject({ reason: 'heat-locked', values: { minutes: 8 } });
  });
});

describe('a hazard', () => {
  const swollen = (bench: TestBench) =>
    bench.act('sheet-replanned', 'u', {
      because: 'found',
      targets: bench.unit().sheet?.targets ?? [],
      findings: ['swelling'],
      barred: [],
      again: [],
    });

  test('found under way stops every step until somebody says that it is safe; the cell goes to its place', () => {
    const bench = donor(lantern);
    until(bench, lantern, ({ frees }) => frees.includes('battery'));
    expect(swollen(bench)).toBe('ok');
    const step = nextOf(bench, lantern);
    const done = () => bench.act('step-done', 'u', { stepId: step.id, seconds: 1, freed: [] });
    expect(done()).toMatchObject({ reason: 'sheet-halted' });
    expect(bench.act('step-skipped', 'u', { stepId: step.id, because: 'not-needed' })).toMatchObject({
      reason: 'sheet-halted',
    });
    expect(bench.act('hazard-cleared', 'u', {})).toBe('ok');
    // Said once, the same finding does not stop it again.
    expect(swollen(bench)).toBe('ok');
    expect(bench.unit().sheet?.isHalted).toBe(false);
    while (bench.unit().sheet?.isClosed === false) expect(bench.step(lantern)).toBe('ok');
    const cell = bench.parts().find(({ category }) => category === 'battery');
    expect(cell).toMatchObject({ place: 'hazard', grade: 'X', limiting: 'hazard' });
    expect(bench.parts().filter(({ place }) => place === 'hazard')).toHaveLength(1);
  });

  test('too dangerous for the bench, the whole unit goes to the fire-safe place and comes back where it stood', () => {
    const bench = donor(lantern);
    until(bench, lantern, ({ frees }) => frees.includes('battery'));
    swollen(bench);
    expect(bench.act('unit-set-apart', 'u', { place: 'hazard' })).toBe('ok');
    expect([bench.unit().stage, bench.unit().apartPlace]).toEqual(['kept-apart', 'hazard']);
    const done = bench.unit().sheet?.doneStepIds;
    expect(bench.act('unit-let-go', 'u', { because: 'made-safe' })).toBe('ok');
    bench.act('unit-decided', 'u', { disposition: 'donor', proposed: 'donor', apartPlace: null });
    expect(bench.unit().sheet?.doneStepIds).toEqual(done);
    bench.finishSheet(lantern);
    expect(bench.unit().stage).toBe('spent');
  });

  test('seen at triage stops the sheet before its first step', () => {
    const bench = new TestBench();
    bench.identified(lantern);
    bench.act('mark-placed', 'u', { mark: { kind: 'swelling', face: lantern.faces[0]?.id ?? '', field: 5 } });
    bench.act('unit-decided', 'u', { disposition: 'donor', proposed: 'quarantine', apartPlace: null });
    bench.act('sheet-started', 'u', { kind: 'teardown', targets: ['board'], keeping: 'tray' });
    expect(bench.unit().sheet?.isHalted).toBe(true);
  });

  test.each([
    [['swelling'], ['flat-after-swelling']],
    [['liquid'], ['dry-after-liquid']],
    [['opened-before'], ['right-after-others']],
    [['dent'], ['true-after-dent']],
    [
      ['dent', 'swelling', 'crack'],
      ['flat-after-swelling', 'true-after-dent'],
    ],
  ] as const)('%j asks on a rebuild for %j before anything goes back, each once', (findings, gates) => {
    const sheet = sheetOf(
      lantern,
      { revision: lantern.revisions[0]?.id ?? '', configuration: lantern.configurations[0]?.id ?? '', marks: [] },
      { kind: 'rebuild', targets: ['battery'], findings, rules: startingHouseRules },
    );
    if (!sheet.ok) throw new Error('no sheet');
    const { steps } = sheet.value;
    const back = steps.findIndex(({ leg }) => leg === 'back');
    expect(steps.slice(back - gates.length, back).map(({ id }) => id)).toEqual(gates.map((gate) => `gate:${gate}`));
    expect(steps.filter(({ id }) => /-after-/.test(id))).toHaveLength(gates.length);
  });

  test('a gate that was passed for a finding is not asked again, until it is opened again', () => {
    const bench = new TestBench();
    bench.identified(lantern);
    bench.act('mark-placed', 'u', { mark: { kind: 'dent', face: lantern.faces[0]?.id ?? '', field: 5 } });
    bench.act('unit-decided', 'u', { disposition: 'build', proposed: 'build', apartPlace: null });
    bench.rebuilding(lantern, ['speaker']);
    const passed: string[] = [];
    while (bench.unit().sheet?.isClosed === false) {
      bench.passes(600);
      const asked = stepsOf(bench, lantern).find(({ id }) => !bench.unit().sheet?.doneStepIds.includes(id))?.id ?? '';
      if (asked.startsWith('gate:')) passed.push(asked);
      expect(bench.step(lantern)).toBe('ok');
      if (asked === 'gate:true-after-dent')
        // Found on the way back: what was passed stays passed, and the new one comes at once.
        expect(
          bench.act('sheet-replanned', 'u', {
            because: 'found',
            targets: ['speaker'],
            findings: ['dent', 'liquid'],
            barred: [],
            again: [],
          }),
        ).toBe('ok');
    }
    expect(passed.slice(0, 2)).toEqual(['gate:true-after-dent', 'gate:dry-after-liquid']);
    expect(passed.filter((id) => id.includes('dent'))).toHaveLength(1);
  });
});

describe('a cell that was bent', () => {
  test('goes to the fire-safe place and is no part for the shelf; one that came out straight is graded', () => {
    for (const isBent of [true, false]) {
      const bench = donor(lantern);
      const step = until(bench, lantern, ({ frees }) => frees.includes('battery'));
      if (isBent)
        bench.act('part-trouble', 'u', {
          stepId: step.id,
          partRef: 'battery',
          state: 'suspect',
          defectCode: 'cell-bent',
        });
      expect(bench.step(lantern)).toBe('ok');
      const battery = bench.parts().find(({ partRef }) => partRef === 'battery');
      expect(battery).toMatchObject(isBent ? { place: 'hazard', grade: 'X' } : { place: 'grade', grade: null });
    }
  });
});

describe('another outcome', () => {
  const foil = (bench: TestBench) => until(bench, sedge, ({ operationId }) => operationId === 'foil');

  test('leaves a debt that stands before the step that would cover it, and is asked once', () => {
    const bench = new TestBench();
    bench.decided(sedge, 'build');
    const slots = sedge.parts.filter(({ slot }) => slot === 'functional').map(({ id }) => id);
    bench.rebuilding(sedge, slots);
    foil(bench);
    expect(bench.step(sedge, 'u', 'nonsense')).toMatchObject({ reason: 'bad-input', values: { field: 'endId' } });
    expect(bench.step(sedge, 'u', 'torn')).toBe('ok');
    const steps = stepsOf(bench, sedge);
    const debts = steps.filter(({ id }) => id.includes('debt-'));
    expect(debts.map(({ id, detail }) => [id, say(detail)])).toEqual([
      ['gate:debt-foil', 'Check: Under 1 Ω across the tear'],
    ]);
    const at = steps.findIndex(({ id }) => id === 'gate:debt-foil');
    expect(steps[at + 1]?.id).toBe('back:foil');
    const debt = until(bench, sedge, ({ id }) => id === 'gate:debt-foil');
    expect(bench.act('gate-judged', 'u', { stepId: debt.id, hasPassed: false })).toBe('ok');
    expect(nextOf(bench, sedge).id).toBe(debt.id);
    expect(bench.act('step-skipped', 'u', { stepId: debt.id, because: 'not-needed' })).toMatchObject({
      reason: 'not-skipped',
    });
    bench.finishSheet(sedge);
    expect(bench.unit().stage).toBe('prove');
    expect(bench.unit().sheet?.doneStepIds.filter((id) => id === debt.id)).toHaveLength(1);
  });

  test('frees what comes with it, and the rest of the sheet asks for it no more', () => {
    const bench = donor(sedge);
    const frame = until(bench, sedge, ({ operationId }) => operationId === 'frame');
    const had = frame.frees;
    expect(had).not.toContain('lamp');
    expect(bench.step(sedge, 'u', 'with-lamp')).toBe('ok');
    const rest = stepsOf(bench, sedge).filter(({ id }) => !bench.unit().sheet?.doneStepIds.includes(id));
    expect(rest.flatMap(({ frees }) => frees)).not.toContain('lamp');
    expect(rest.map(({ id }) => id)).not.toContain(frame.id);
    bench.finishSheet(sedge);
    const refs = bench.parts().map(({ partRef }) => partRef);
    expect(new Set(refs).size).toBe(refs.length);
  });

  test('screws that cannot go back are owed where they came out, and checked there', () => {
    const bench = new TestBench();
    bench.decided(lantern, 'build');
    bench.rebuilding(lantern, ['battery']);
    const step = until(bench, lantern, ({ leg, cups }) => leg === 'out' && cups.length > 0);
    const trouble = (kind: 'stripped' | 'missing' | 'stuck', count: number) =>
      bench.act('screw-trouble', 'u', { stepId: step.id, kind, count });
    expect(trouble('stuck', 1)).toBe('ok');
    expect(stepsOf(bench, lantern).filter(({ id }) => id.startsWith('gate:screws-'))).toEqual([]);
    expect(trouble('stripped', 1)).toBe('ok');
    expect(trouble('missing', 2)).toBe('ok');
    const steps = stepsOf(bench, lantern);
    const at = steps.findIndex(({ id }) => id.startsWith('gate:screws-'));
    expect(say(steps[at]?.title ?? '')).toBe('Owed: 3 new screws for those that cannot go back');
    expect(steps[at + 1]?.id).toBe(step.id.replace('out:', 'back:'));
    bench.finishSheet(lantern);
    expect(bench.unit().sheet?.doneStepIds).toContain(steps[at]?.id);
    expect(bench.unit().stage).toBe('prove');
  });

  test('a donor owes nothing: nothing goes back', () => {
    const bench = donor(lantern);
    const step = until(bench, lantern, ({ cups }) => cups.length > 0);
    bench.act('screw-trouble', 'u', { stepId: step.id, kind: 'stripped', count: 1 });
    expect(stepsOf(bench, lantern).filter(({ leg }) => leg === 'gate')).toEqual([]);
  });

  test('the usual sheet has no debts', () => {
    const bench = new TestBench();
    bench.decided(sedge, 'build');
    bench.rebuilding(sedge, ['battery']);
    expect(stepsOf(bench, sedge).filter(({ id }) => id.includes('debt-'))).toEqual([]);
  });
});

describe('torque on the way back', () => {
  test('a reading outside its limits must be answered before the step is done', () => {
    const bench = new TestBench();
    bench.decided(lantern, 'build');
    bench.rebuilding(lantern, ['battery']);
    const step = until(
      bench,
      lantern,
      ({ leg, joints }) => leg === 'back' && joints.some(({ kind }) => kind === 'screw'),
    );
    const jointId = step.joints.find(({ kind }) => kind === 'screw')?.id as string;
    const read = (newtonCm: number, isKept = false, of = jointId) =>
      bench.act('torque-read', 'u', { stepId: step.id, jointId: of, newtonCm, isKept });
    expect(read(5, false, 'nowhere')).toMatchObject({ reason: 'bad-input', values: { field: 'jointId' } });
    expect(read(99)).toBe('ok');
    expect(bench.step(lantern)).toMatchObject({ reason: 'torque-open', values: { reading: 99 } });
    expect(nextOf(bench, lantern).id).toBe(step.id);
    expect(read(99, true)).toBe('ok');
    expect(bench.step(lantern)).toBe('ok');
  });

  test('a driver that reads nothing holds nobody up', () => {
    const bench = new TestBench();
    bench.decided(lantern, 'build');
    bench.rebuilding(lantern, ['battery']);
    bench.finishSheet(lantern);
    expect(bench.unit().stage).toBe('prove');
  });
});

describe('what is used once', () => {
  const mast = named('Mast 4');

  test('is renewed on the way back, unless its question was answered with yes', () => {
    const bench = new TestBench();
    bench.decided(mast, 'build');
    bench.rebuilding(
      mast,
      mast.parts.filter(({ slot }) => slot === 'functional').map(({ id }) => id),
    );
    const step = until(bench, mast, ({ frees }) => frees.includes('gasket'));
    const gasketOnTheWayBack = () =>
      stepsOf(bench, mast)
        .filter(({ leg, places }) => leg === 'back' && places.includes('gasket'))
        .flatMap(({ consumables }) => consumables.map(({ name }) => name));
    expect(gasketOnTheWayBack()).toEqual(['Mast gasket']);
    const judge = (partRef: string, isReused: boolean) =>
      bench.act('reuse-judged', 'u', { stepId: step.id, partRef, isReused });
    expect(judge('battery', true)).toMatchObject({ reason: 'bad-input', values: { field: 'partRef' } });
    expect(judge('gasket', true)).toBe('ok');
    expect(gasketOnTheWayBack()).toEqual([]);
    expect(judge('gasket', false)).toBe('ok');
    expect(gasketOnTheWayBack()).toEqual(['Mast gasket']);
    judge('gasket', true);
    bench.finishSheet(mast);
    expect(bench.unit().stage).toBe('prove');
  });
});

describe('passing a step over', () => {
  test('is refused for the proof that it is off', () => {
    const bench = donor(lantern);
    const step = nextOf(bench, lantern);
    expect(bench.act('step-skipped', 'u', { stepId: step.id, because: 'done-already' })).toMatchObject({
      reason: 'not-skipped',
    });
  });

  test('what is not there makes no part, and the yield knows it as missing', () => {
    const bench = donor(lantern);
    const step = until(bench, lantern, ({ frees }) => frees.includes('battery'));
    expect(bench.act('step-skipped', 'u', { stepId: step.id, because: 'not-needed' })).toMatchObject({
      reason: 'not-skipped',
    });
    const before = bench.parts().length;
    expect(bench.act('step-skipped', 'u', { stepId: step.id, because: 'not-there' })).toBe('ok');
    expect(bench.parts()).toHaveLength(before);
    expect(bench.unit().sheet?.partTroubles).toContainEqual({
      stepId: step.id,
      partRef: 'battery',
      state: 'missing',
      defectCode: null,
    });
    expect(bench.unit().sheet?.skipped).toEqual([{ stepId: step.id, because: 'not-there' }]);
    bench.finishSheet(lantern);
  });

  test('a note changes nothing but the log', () => {
    const bench = donor(lantern);
    const { version, lastFactId, ...before } = bench.unit();
    expect(bench.act('note-written', 'u', { stepId: null, text: 'Clip 3 was glued.' })).toBe('ok');
    const { version: next, lastFactId: last, ...after } = bench.unit();
    expect(after).toEqual(before);
    expect([next, last]).not.toEqual([version, lastFactId]);
  });
});
