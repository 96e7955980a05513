import { comesOut } from '@/core/procedure/joints';
import { say } from '@/words/catalogue/core/sheet';
import { handset, laptop, phone, shippedModels } from '../../../../tests/support/models';
import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import { walk } from '@/core/procedure/walk';
import { startingHouseRules } from '@/core/shared/houseRules';
import { planRunSheet, type RunSheet, type SheetRequest } from './runSheet';

const plan = (model: Model, request: Partial<SheetRequest>): RunSheet => {
  const outcome = planRunSheet(
    model,
    {
      kind: 'teardown',
      targets: [],
      revision: 'a',
      configuration: model.configurations[0]?.id ?? null,
      findings: [],
      ...request,
    },
    startingHouseRules,
  );
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.refusal));
  return outcome.value;
};
const steps = (sheet: RunSheet) => sheet.steps.map(({ id }) => id);
const kinds = (sheet: RunSheet, leg: string) =>
  sheet.steps
    .filter((step) => step.leg === leg)
    .flatMap(({ joints }) => joints)
    .map((joint) => `${joint.kind} ${joint.id}`)
    .sort();

const twofold = shippedModels.find(({ name }) => name === 'Twofold Quay') as Model;

describe('planRunSheet', () => {
  test('one document gives six different sheets for six different units', () => {
    const sheets = [
      plan(phone, { targets: ['battery'] }),
      plan(phone, { targets: ['camera'] }),
      plan(phone, { targets: ['port-board'] }),
      plan(phone, { targets: ['port-board'], revision: 'b' }),
      plan(phone, { targets: ['battery'], findings: ['crack'] }),
      plan(phone, { targets: ['battery'], findings: ['opened-before'] }),
    ].map((sheet) => steps(sheet).join(' '));
    expect(new Set(sheets).size).toBe(6);
    // Revision a hides the port board under the speaker; b does not.
    expect(sheets[2]).toContain('out:speaker');
    expect(sheets[3]).not.toContain('out:speaker');
    // Cracked glass is taped before it is warmed; a strip that was glued is softened before it is pulled.
    expect(sheets[4]).toContain('out:tape-glass');
    expect(sheets[5]?.indexOf('out:soften')).toBeLessThan(sheets[5]?.indexOf('out:strip') ?? 0);
  });

  test('a configuration without a part does not wait for that part’s step', () => {
    expect(steps(plan(phone, { targets: ['board'] }))).toContain('out:camera');
    expect(steps(plan(phone, { targets: ['board'], configuration: 'no-camera' }))).not.toContain('out:camera');
  });

  test('a part behind two routes is reached by the shorter, and by the other when that lies on the way', () => {
    // The pad comes by way of the battery’s bay, or past the board when that is out anyway.
    expect(steps(plan(twofold, { targets: ['pad'] }))).toContain('out:battery');
    expect(steps(plan(twofold, { targets: ['pad'] }))).not.toContain('out:board');
    expect(steps(plan(twofold, { targets: ['pad', 'board'] }))).not.toContain('out:battery');
  });

  test.each(shippedModels.map((model) => [model.name, model] as const))(
    '%s: screw counts are sums over the joints',
    (_, model) => {
      const sheet = plan(model, { targets: model.parts.filter(({ slot }) => slot).map(({ id }) => id) });
      const joints = sheet.steps.flatMap((step) => step.joints);
      const screws = joints.filter((joint) => comesOut(joint));
      const caps = joints.filter(({ kind }) => kind === 'cap');
      expect(sheet.screwCount).toBe(screws.length);
      expect(sheet.cups.reduce((sum, { group }) => sum + group.count, 0)).toBe(screws.length + caps.length);
      expect(new Set(screws.map(({ id }) => id)).size).toBe(screws.length);
      const kept = sheet.cups.filter(({ group }) => !group.singleUse);
      expect(new Set(kept.map(({ cup }) => cup)).size).toBe(kept.length);
    },
  );

  test('taking a joint out of the document takes its screw out of the count', () => {
    const without: Model = {
      ...laptop,
      joints: laptop.joints.filter(({ id }) => id !== 'bd5'),
      operations: laptop.operations.map((op) => ({ ...op, opens: op.opens.filter((id) => id !== 'bd5') })),
    };
    expect(plan(without, { targets: ['memory'] }).screwCount).toBe(
      plan(laptop, { targets: ['memory'] }).screwCount - 1,
    );
  });

  test.each(shippedModels.map((model) => [model.name, model] as const))(
    '%s: what is opened on the way out is closed on the way back',
    (_, model) => {
      for (const part of model.parts.filter(({ slot }) => slot)) {
        const sheet = plan(model, { kind: 'rebuild', targets: [part.id] });
        const out = sheet.steps.filter(({ leg }) => leg === 'out').map(({ operationId }) => operationId);
        const order = out.map((id) => model.operations.find((operation) => operation.id === id) as Operation);
        const left = order.flatMap(({ back }) => back?.leaves?.map(({ joint }) => joint) ?? []);
        const open = [...walk(model, order).openJoints].filter((id) => !left.includes(id));
        const named = open.map((id) => `${model.joints.find((joint) => joint.id === id)?.kind} ${id}`);
        expect(kinds(sheet, 'back')).toEqual(named.sort());
        expect(sheet.steps.flatMap(({ places }) => places)).toContain(part.id);
      }
    },
  );

  test('the gate stands before the first step that seals, and early when none does: after the last step it asks about', () => {
    const sealed = steps(plan(phone, { kind: 'rebuild', targets: ['battery'] }));
    expect(sealed.indexOf('gate:before-lift-back')).toBe(sealed.indexOf('back:lift-back') - 1);
    const open = steps(plan(laptop, { kind: 'rebuild', targets: ['memory'] }));
    // The door is only screwed on: the test comes early, before it has to come off again for a fault.
    expect(open.slice(-2)).toEqual(['gate:before-leaving', 'back:door']);
    expect(steps(plan(handset, { targets: ['board'] })).join()).not.toContain('gate:');
  });

  test('says why: the target a step frees, or the one that waits for it', () => {
    const sheet = plan(phone, { targets: ['battery'] });
    const why = (step: string) => say(sheet.steps.find(({ id }) => id === step)?.why ?? '');
    expect(why('out:strip')).toBe('Frees the battery.');
    expect(why('out:plate')).toBe('The plate covers the plug. Needed for the battery.');
  });

  test('consumables are summed over the way back', () => {
    const sheet = plan(phone, { kind: 'rebuild', targets: ['battery'] });
    expect(sheet.consumables).toEqual([
      { name: 'Battery strip', count: 1, unitCents: 60 },
      { name: 'Lantern seal sheet', count: 1, unitCents: 300 },
    ]);
  });
});
