import { unattendedMinutes } from '@/core/procedure/operations';
import { phone, shippedModels } from '../../../tests/support/models';
import { checkModel } from '@/core/procedure/checkModel';
import { isScrew } from '@/core/procedure/joints';
import type { Model } from '@/core/procedure/model';
import type { Operation, WayBack } from '@/core/procedure/operations';
import { isReady, operationsFor } from '@/core/procedure/situation';
import { startingHouseRules } from '@/core/shared/houseRules';
import { planRunSheet } from '@/core/teardown/sheet/runSheet';
import { defaultTargets } from '@/core/sheet/sheetSteps';
import { modelBySchools } from './modelBySchools';
import { asWritten, schoolChoices, startingSchools, type SchoolId, type Schools } from '@/core/shared/schools';

const situationOf = (model: Model) => ({
  revision: model.revisions[0]?.id ?? null,
  configuration: model.configurations[0]?.id ?? null,
  findings: [],
});

const every = Object.entries(schoolChoices).flatMap(([school, choices]) =>
  choices.map((choice) => [school as SchoolId, { ...asWritten, [school]: choice } as Schools] as const),
);

const by = (model: Model, schools: Schools, missingTools: readonly string[] = []) =>
  modelBySchools(model, { schools, missingTools });

const wantedOf = (model: Model): readonly string[] => defaultTargets(model, situationOf(model).configuration);

const planBy = (model: Model, kind: 'teardown' | 'rebuild', schools: Schools, targets = wantedOf(model)) =>
  planRunSheet(model, { kind, targets, ...situationOf(model) }, { ...startingHouseRules, schools });

const sheetBy = (...given: Parameters<typeof planBy>) => {
  const sheet = planBy(...given);
  if (!sheet.ok) throw new Error(`${given[0].id}: ${sheet.refusal.reason}`);
  return sheet.value;
};

describe('modelBySchools', () => {
  test.each(shippedModels.map((model) => [model.id, model] as const))('%s', (_, model) => {
    const faults = (of: Model) => checkModel(of).filter(({ severity }) => severity === 'error');
    for (const [, schools] of every) {
      const worked = by(model, schools);
      // No school makes a sound document unsound or moves an id; the second time it does nothing.
      expect(faults(worked)).toEqual(faults(model));
      expect(worked.operations.map(({ id }) => id)).toEqual(model.operations.map(({ id }) => id));
      expect(worked.joints.map(({ id }) => id)).toEqual(model.joints.map(({ id }) => id));
      expect(by(worked, schools)).toBe(worked);
      expect(by(model, schools)).toBe(worked);
      // Every part that could be had can still be had, out and back.
      for (const kind of ['teardown', 'rebuild'] as const) expect(sheetBy(model, kind, schools).steps).not.toEqual([]);
    }
    expect(by(model, asWritten)).toBe(model);
    expect(modelBySchools(model)).toBe(model);
  });

  test('the battery plug goes before all that lies as deep: in every order of a sheet, for every target', () => {
    let moved = 0;
    for (const model of shippedModels) {
      // A clock cell that feeds only what it sits on holds up nothing else.
      const isWide = (part: string) => model.parts.find(({ id }) => id === part)?.powerReach !== 'its-own';
      const wide = model.joints.filter(({ power, holds }) => power === true && holds.some(isWide));
      const sources = new Set(wide.map(({ id }) => id));
      const offs = model.operations.filter(({ opens }) => opens.some((joint) => sources.has(joint)));
      for (const part of wantedOf(model)) {
        const asked = planBy(model, 'teardown', { ...asWritten, batteryPlug: 'first' }, [part]);
        const before = planBy(model, 'teardown', asWritten, [part]);
        // A part that nothing frees on this revision is out of reach by every school.
        expect(asked.ok).toBe(before.ok);
        if (!asked.ok || !before.ok) continue;
        const [first, written] = [asked.value, before.value];
        moved += first.steps.length - written.steps.length;
        const done = new Set<string>();
        for (const { operationId } of first.steps) {
          const operation = model.operations.find(({ id }) => id === operationId) as Operation;
          for (const off of offs) {
            // Among several plugs the planner chooses the first.
            if (off.after.length === 0 || done.has(off.id) || offs.includes(operation)) continue;
            // Played by hand: what can be done although the plug could be reached must lead to the plug itself.
            const canReach = off.after.every(({ any }) => any.some((id) => done.has(id)));
            const asksForReach = off.after.every(({ any }) => isSurelyAfter(model, operation.id, any));
            if (canReach && asksForReach) expect([model.id, part, operation.id]).toEqual('the plug first');
          }
          done.add(operation.id);
        }
      }
    }
    // It is a rule that costs steps somewhere, or it would be none.
    expect(moved).toBeGreaterThan(0);
  });

  /** By trying: without any of these operations the other can never be done, whatever else is. */
  function isSurelyAfter(model: Model, id: string, any: readonly string[]): boolean {
    const existing = operationsFor(model, situationOf(model));
    const byId = new Map(existing.map((operation) => [operation.id, operation]));
    const done = new Set<string>();
    for (let grew = true; grew;) {
      grew = false;
      for (const operation of existing) {
        if (done.has(operation.id) || any.includes(operation.id) || !isReady(operation, done, byId)) continue;
        done.add(operation.id);
        grew = true;
      }
    }
    return !done.has(id);
  }

  test('plastic where the author names plastic beside metal, in its own time; elsewhere the metal stays', () => {
    const swapped = shippedModels.flatMap((model) => {
      const worked = by(model, { ...asWritten, prying: 'plastic' });
      return worked.operations.flatMap((operation, at) => {
        const before = model.operations[at] as Operation;
        if (before.tool === operation.tool) return [];
        const other = before.orTools?.find(({ tool }) => tool === operation.tool);
        expect(operation.minutes.likely).toBeCloseTo(before.minutes.likely * (other?.minutesFactor ?? 0), 9);
        // The metal is not merely second: nothing that saves a change of tools takes it up again.
        expect(operation.orTools?.map(({ tool }) => tool)).not.toContain(before.tool);
        return [[before.tool, operation.tool]];
      });
    });
    expect(swapped).toEqual([['Steel spatula', 'Plastic pick']]);
  });

  test('a tool that the shop has not is done without where another is named, in its time; else the sheet asks for it', () => {
    const sedge = shippedModels.find(({ id }) => id === 'marrowby-sedge-8') as Model;
    const spatula = sedge.operations.find(({ tool }) => tool === 'Steel spatula') as Operation;
    const [other] = spatula.orTools ?? [];
    const at = (missing: readonly string[]) =>
      by(sedge, asWritten, missing).operations.find(({ id }) => id === spatula.id) as Operation;
    const lacking = at(['Steel spatula', 'No such thing']);
    expect([lacking.tool, lacking.orTools]).toEqual([other?.tool, []]);
    expect(lacking.minutes.likely).toBeCloseTo(spatula.minutes.likely * (other?.minutesFactor ?? 0), 9);
    expect([at([other?.tool ?? '']).tool, at([other?.tool ?? '']).orTools]).toEqual(['Steel spatula', []]);
    // Also on the way back, where it is the same tool.
    const both = { ...spatula, back: { ...(spatula.back as WayBack), tool: spatula.tool } };
    const ofBoth = { ...sedge, operations: sedge.operations.map((each) => (each.id === spatula.id ? both : each)) };
    const back = (missing: string) =>
      by(ofBoth, asWritten, [missing]).operations.find(({ id }) => id === spatula.id)?.back?.tool;
    expect([back('Steel spatula'), back(other?.tool ?? '')]).toEqual([other?.tool, 'Steel spatula']);
    // With both missing it asks for its own.
    expect(at(['Steel spatula', other?.tool ?? ''])).toBe(spatula);
    for (const model of shippedModels)
      by(model, asWritten, ['Plastic pick']).operations.forEach((operation, place) => {
        const toolsOf = ({ tool, orTools = [] }: Operation) => [tool, ...orTools.map((each) => each.tool)];
        const before = toolsOf(model.operations[place] as Operation);
        const left = before.filter((tool) => tool !== 'Plastic pick');
        expect(toolsOf(operation)).toEqual(left.length > 0 ? left : before);
      });
  });

  test('another heater warms every seam to the same surface, and is laid out', () => {
    for (const source of ['hot plate', 'hot air', 'dryer'] as const) {
      for (const model of shippedModels) {
        const worked = by(model, { ...asWritten, warming: source });
        worked.operations.forEach((operation, at) => {
          const before = model.operations[at] as Operation;
          expect(operation.heat?.source).toBe(before.heat && source);
          expect(operation.heat?.celsius).toBe(before.heat?.celsius);
          // Also what is warmed when it resists, and on the way back.
          const others = [...(operation.ladder?.rungs ?? []), operation.back].flatMap((work) => work?.heat ?? []);
          for (const heat of others) expect(heat.source).toBe(source);
          if (!before.heat && others.length === 0) expect(operation).toBe(before);
        });
      }
    }
    const sheet = sheetBy(phone, 'teardown', { ...asWritten, warming: 'dryer' });
    expect(sheet.tools).toContain('Dryer');
    expect(sheet.tools).not.toContain('Hot plate');
  });

  test('glue by the house: what is laid out, how long it is held, and what the sheet costs', () => {
    const of = (gluing: Schools['gluing']) => {
      const { steps, consumables } = sheetBy(phone, 'rebuild', { ...asWritten, gluing });
      const waits = steps.filter(({ leg }) => leg === 'back').reduce((sum, { wait }) => sum + (wait?.minutes ?? 0), 0);
      const cents = consumables.reduce((sum, { count, unitCents }) => sum + count * unitCents, 0);
      return { waits, cents };
    };
    const [written, gel, liquid] = [of('as-written'), of('tape-and-gel'), of('liquid')];
    // What is glued on this sheet, found by what another school changes.
    const liquidly = by(phone, { ...asWritten, gluing: 'liquid' });
    const onSheet = new Set(sheetBy(phone, 'rebuild', asWritten).steps.map(({ operationId }) => operationId));
    const glued = phone.operations.filter((one, at) => onSheet.has(one.id) && one !== liquidly.operations[at]);
    const wait = glued.reduce((sum, { back }) => sum + unattendedMinutes(back ?? {}), 0);
    const spent = glued.flatMap(({ back }) => back?.consumables ?? []).reduce((sum, each) => sum + each.unitCents, 0);
    expect(glued.map(({ back }) => back?.title)).toEqual(['Seal the back down', 'Seal the glass down']);
    expect(gel).toEqual({ waits: written.waits - wait + 2 * 15, cents: written.cents - spent + 2 * 46 });
    expect(liquid).toEqual({ waits: written.waits - wait + 2 * 45, cents: written.cents - spent + 2 * 25 });
  });

  test('by feel: no screw asks for a torque; renewed: no part is asked whether it goes back', () => {
    const torque = { low: 8, aim: 10, high: 12 };
    const asking: Model = {
      ...phone,
      joints: phone.joints.map((joint) => (isScrew(joint) ? { ...joint, torqueNewtonCm: torque } : joint)),
      parts: phone.parts.map((part) => ({ ...part, singleUse: true, reusableIf: 'whole' })),
    };
    const torques = (of: Model) => of.joints.filter((joint) => isScrew(joint) && joint.torqueNewtonCm).length;
    const asked = (of: Model) => of.parts.filter(({ reusableIf }) => reusableIf !== undefined).length;
    const byFeel = by(asking, { ...asWritten, torque: 'feel' });
    const renewed = by(asking, { ...asWritten, usedOnce: 'renew' });
    expect([torques(byFeel), asked(byFeel)]).toEqual([0, asking.parts.length]);
    expect([torques(renewed), asked(renewed)]).toEqual([torques(asking), 0]);
  });

  test('a shop begins with one choice of each school', () => {
    for (const [school, choices] of Object.entries(schoolChoices))
      expect(choices).toContain(startingSchools[school as SchoolId]);
  });
});
