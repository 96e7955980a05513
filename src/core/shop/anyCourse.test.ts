import { TestBench } from '../../../tests/support/bench';
import { shippedModels } from '../../../tests/support/models';
import type { Model } from '@/core/procedure/model';
import { findings } from '@/core/procedure/vocabulary';
import { Chance } from '@/core/shared/chance';
import { torqueState } from '@/core/screws/torqueState';
import { readStepId, type SheetStep } from '@/core/teardown/sheet/sheetStep';
import type { SheetState, Unit } from '../entities/entities';
import { replanSheet } from '../sheet/replanSheet';
import { rungNow } from '@/core/sheet/rungNow';
import { sheetOf } from '../sheet/sheetOf';
import { nextStep } from '../sheet/sheetSteps';
import { screwTroubles, skipCauses } from '../entities/stages';

interface Course {
  readonly bench: TestBench;
  readonly model: Model;
  readonly chance: Chance;
  /** Operations whose way back owes a check, by what happened on the way out. */
  readonly owing: Map<string, 'debt' | 'screws'>;
}

const sheetNow = ({ bench, model }: Course) => {
  const unit = bench.unit() as Unit & { readonly sheet: SheetState };
  const outcome = sheetOf(model, unit, unit.sheet);
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.refusal));
  return {
    unit,
    state: unit.sheet,
    sheet: outcome.value,
    next: nextStep(outcome.value.steps, unit.sheet) as SheetStep,
  };
};

/** Something that may happen at a step beside its being done. */
function meets(course: Course): void {
  const { bench, model, chance, owing } = course;
  const { unit, state, sheet, next } = sheetNow(course);
  const operation = model.operations.find(({ id }) => id === next.operationId);
  const stepId = next.id;
  const what = chance.pick(['note', 'screw', 'part', 'found', 'resists', 'wait', 'torque', 'reuse', 'skip'] as const);
  switch (what) {
    case 'note':
      expect(bench.act('note-written', 'u', { stepId, text: 'Brittle.' })).toBe('ok');
      break;
    case 'screw':
      if (next.leg === 'out' && next.cups.length > 0) {
        const kind = chance.pick(screwTroubles);
        expect(bench.act('screw-trouble', 'u', { stepId, kind, count: 1 })).toBe('ok');
        if (kind !== 'stuck' && state.kind === 'rebuild') owing.set(next.operationId as string, 'screws');
      }
      break;
    case 'part': {
      const [partRef] = next.leg === 'out' ? next.frees : [];
      if (partRef !== undefined)
        bench.act('part-trouble', 'u', { stepId, partRef, state: 'broken-by-us', defectCode: 'cracked' as never });
      break;
    }
    case 'found': {
      const finding = chance.pick(findings);
      if (state.findings.includes(finding)) break;
      const replan = replanSheet(model, unit, sheet, { because: 'found', finding });
      if (replan.ok) expect(bench.act('sheet-replanned', 'u', replan.value.payload)).toBe('ok');
      break;
    }
    case 'resists': {
      const rung = rungNow(state, stepId) + 1;
      const outcome = bench.act('step-resisted', 'u', { stepId, rung, seconds: 30 });
      expect(outcome === 'ok').toBe(rung <= (next.leg === 'out' ? (operation?.ladder?.rungs.length ?? 0) : 0));
      break;
    }
    case 'wait':
      if (next.wait && !unit.timer)
        bench.act('wait-begun', 'u', { stepId, fixture: next.wait.fixture, place: 1, minutes: next.wait.minutes });
      break;
    case 'torque': {
      const screw = next.leg === 'back' ? torqueState(stepId, next.joints, state.torques).next : null;
      if (!screw?.torqueNewtonCm) break;
      const tooMuch = screw.torqueNewtonCm.high + 5;
      const read = (newtonCm: number, isKept = false) =>
        bench.act('torque-read', 'u', { stepId, jointId: screw.id, newtonCm, isKept });
      expect(read(tooMuch)).toBe('ok');
      expect(bench.step(model)).toMatchObject({ reason: 'torque-open' });
      expect(chance.happens(0.5) ? read(screw.torqueNewtonCm.aim) : read(tooMuch, true)).toBe('ok');
      break;
    }
    case 'reuse': {
      const part = model.parts.find(({ id, reusableIf }) => next.frees.includes(id) && reusableIf !== undefined);
      if (part && next.leg === 'out')
        expect(bench.act('reuse-judged', 'u', { stepId, partRef: part.id, isReused: chance.happens(0.5) })).toBe('ok');
      break;
    }
    case 'skip': {
      const isFirst = sheet.steps[0]?.id === stepId;
      const outcome = bench.act('step-skipped', 'u', { stepId, because: chance.pick(skipCauses) });
      if (next.leg === 'gate' || (isFirst && next.joints.length + next.frees.length === 0 && next.leg === 'out'))
        expect(outcome).toMatchObject({ reason: 'not-skipped' });
      break;
    }
  }
}

/** Does the step that comes next, in one of the ways in which it can end. */
function goesOn(course: Course): void {
  const { bench, model, chance, owing } = course;
  const { next } = sheetNow(course);
  const operation = next.leg === 'out' ? model.operations.find(({ id }) => id === next.operationId) : undefined;
  const end = operation?.ends && chance.happens(0.5) ? chance.pick(operation.ends) : undefined;
  // Nobody hurries: what has to air has aired.
  bench.passes(3600);
  const outcome = bench.step(model, 'u', end?.id);
  // An end may destroy what is still wanted, or leave the sheet without a way on: refused, and the usual one is taken.
  if (outcome !== 'ok') expect([end !== undefined, bench.step(model)]).toEqual([true, 'ok']);
  else if (end?.debt && bench.unit().sheet?.kind === 'rebuild') owing.set(operation?.id as string, 'debt');
}

function follow(course: Course): readonly string[] {
  const { bench, chance } = course;
  let done: readonly string[] = [];
  for (let turns = 0; turns < 600; turns += 1) {
    const { sheet } = bench.unit();
    if (!sheet || sheet.isClosed || !['teardown', 'rebuild'].includes(bench.unit().stage)) return done;
    if (sheet.isHalted) expect(bench.act('hazard-cleared', 'u', {})).toBe('ok');
    // What is done stays done, in its order, and stays first on the sheet.
    const planned = sheetNow(course).sheet.steps.map(({ id }) => id);
    expect(sheet.doneStepIds.slice(0, done.length)).toEqual(done);
    expect(planned.slice(0, sheet.doneStepIds.length)).toEqual(sheet.doneStepIds);
    expect(new Set(planned).size).toBe(planned.length);
    done = sheet.doneStepIds;
    if (chance.happens(0.4)) meets(course);
    const after = bench.unit();
    if (after.sheet?.isClosed === false && after.sheet.isHalted === false) goesOn(course);
    if (bench.unit().sheet) done = bench.unit().sheet?.doneStepIds ?? done;
  }
  throw new Error('the sheet never ended');
}

const seeds = [1, 2, 3, 4, 5, 6];

describe('whatever happens at the bench', () => {
  test.each(shippedModels.map((model) => [model.name, model] as const))(
    '%s is taken apart to the end: nothing done is asked again',
    (_, model) => {
      for (const seed of seeds) {
        const chance = new Chance(seed);
        const bench = new TestBench();
        bench.decided(model, 'donor');
        const targets = model.parts.filter(({ valueCents }) => valueCents !== undefined).map(({ id }) => id);
        if (bench.act('sheet-started', 'u', { kind: 'teardown', targets, keeping: 'tray' }) !== 'ok') continue;
        follow({ bench, model, chance, owing: new Map() });
        expect(bench.unit().stage).toBe('spent');
      }
    },
  );

  test.each(shippedModels.map((model) => [model.name, model] as const))(
    '%s is rebuilt to the end: what is owed is checked before it is covered, and a gate is never passed over',
    (_, model) => {
      const slots = model.parts.filter(({ slot }) => slot === 'functional').map(({ id }) => id);
      for (const seed of seeds) {
        const chance = new Chance(seed * 31);
        const bench = new TestBench();
        bench.decided(model, 'build');
        const wanted = slots.filter(() => chance.happens(0.6));
        bench.rebuilding(model, wanted.length > 0 ? wanted : slots.slice(0, 1));
        const owing = new Map<string, 'debt' | 'screws'>();
        const done = follow({ bench, model, chance, owing });
        expect(bench.unit().stage).toBe('prove');
        for (const [operation, cause] of owing) {
          const back = done.findIndex((id) => id.startsWith('back:') && readStepId(id).id === operation);
          const check = done.findIndex((id) => readStepId(id).id === `${cause}-${operation}`);
          if (back !== -1) expect([operation, check !== -1 && check < back]).toEqual([operation, true]);
        }
        // The gate before it is sealed, or at the end, was passed.
        expect([seed, done, done.some((id) => id.startsWith('gate:'))]).toEqual([seed, done, true]);
      }
    },
  );
});
