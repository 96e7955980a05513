import { shippedModels, writtenModels } from '../../../../tests/support/models';
import { situationsOf } from '../../../../tests/support/situations';
import { isScrew, type Joint } from '@/core/procedure/joints';
import type { Model } from '@/core/procedure/model';
import type { DeviceTest, PartCategory } from '@/core/procedure/vocabulary';
import { startingHouseRules } from '@/core/shared/houseRules';
import { discard } from '@/core/screws/placeScrews';
import { planRunSheet, reachableTargets, type RunSheet } from './runSheet';
import { readStepId, type SheetStep } from './sheetStep';

/** Every sheet there can be: every part that anybody wants, alone and all together, in every situation, out and back. */
function sheetsOf(model: Model): readonly { readonly name: string; readonly sheet: RunSheet }[] {
  const wanted = model.parts.filter(({ slot, valueCents }) => slot !== undefined || valueCents !== undefined);
  return situationsOf(model).flatMap((situation) =>
    [...wanted.map(({ id }) => [id]), model.parts.map(({ id }) => id)].flatMap((parts) => {
      const asked = { ...situation, kind: 'rebuild' as const, targets: parts };
      const targets = reachableTargets(model, asked, startingHouseRules);
      if (targets.length === 0) return [];
      const sheet = planRunSheet(model, { ...asked, targets }, startingHouseRules);
      if (!sheet.ok) throw new Error(`${model.id} ${targets.join()} ${sheet.refusal.reason}`);
      const { revision, configuration, findings, tests, ended } = situation;
      const name = JSON.stringify([model.id, revision, configuration, findings, tests, [...(ended ?? [])], targets]);
      return [{ name, sheet: sheet.value }];
    }),
  );
}

/** How metal stands, played step by step: written anew here, so that it shares nothing with what it judges. */
class Metal {
  readonly open = new Set<string>();
  readonly out = new Set<string>();

  constructor(private readonly model: Model) {}

  play({ leg, joints, frees, places }: SheetStep): void {
    for (const { id } of joints) {
      if (leg === 'out') this.open.add(id);
      if (leg === 'back') this.open.delete(id);
    }
    for (const part of frees) this.out.add(part);
    for (const part of places) this.out.delete(part);
  }

  /** Tests by what they look at; where a model says itself what a test needs, that is another matter. */
  tests(): readonly DeviceTest[] {
    const { tests, testNeeds = [] } = this.model;
    return tests.filter((test) => !testNeeds.some((need) => need.test === test));
  }

  plugsOf(test: DeviceTest): readonly Joint[] {
    const { parts, joints } = this.model;
    return parts
      .filter(({ category }) => seenBy[test]?.includes(category))
      .flatMap(({ id }) =>
        joints.filter(
          ({ kind, holds }) => ['plug', 'ribbon', 'board-plug', 'socket'].includes(kind) && holds.includes(id),
        ),
      );
  }

  /** What a test lacks now, with what the gate puts on for it; nothing when it can be done. */
  lacks(test: DeviceTest, gate: SheetStep): readonly string[] {
    const { parts, joints, testPack } = this.model;
    const isShut = (joint: Joint) => !this.open.has(joint.id) || gate.mates.includes(joint.id);
    const isIn = (part: string) => !this.out.has(part) || gate.lays.includes(part);
    const cells = parts.filter(({ category, power }) => category === 'battery' && power !== 'second');
    const power = cells.flatMap(({ id }) => joints.filter((joint) => joint.power && joint.holds.includes(id)));
    const isPowered =
      (gate.usesPack && testPack !== undefined) ||
      (power.length > 0 ? power.every(isShut) : cells.every(({ id }) => isIn(id)));
    const boards = parts.filter(({ category, data }) => category === 'board' && data);
    return [
      ...(isPowered ? [] : ['power']),
      ...boards.filter(({ id }) => this.out.has(id)).map(({ id }) => id),
      ...(this.model.testNeeds?.some((need) => need.test === test)
        ? []
        : this.plugsOf(test)
            .filter((plug) => !isShut(plug))
            .map(({ id }) => id)),
    ];
  }
}

const seenBy: Partial<Readonly<Record<DeviceTest, readonly PartCategory[]>>> = {
  picture: ['display'],
  touch: ['display'],
  sound: ['speaker'],
  cameras: ['camera'],
  vibration: ['motor'],
  keys: ['keys'],
};

test.each([...shippedModels, ...writtenModels].map((model) => [model.name, model] as const))(
  '%s: in every sheet each gate can be passed, each screw is where the metal has it, and each part goes back once',
  (_, model) => {
    const sheets = sheetsOf(model);
    expect(sheets.length).toBeGreaterThan(20);
    for (const { name, sheet } of sheets) {
      const metal = new Metal(model);
      const opened = new Map<string, number>();
      const closed = new Map<string, number>();
      const placed = new Map<string, number>();
      const faults: string[] = [];
      for (const step of sheet.steps) {
        for (const test of step.tests)
          for (const lack of metal.lacks(test, step)) faults.push(`${step.id} asks for ${test} and lacks ${lack}`);
        for (const { id } of step.joints) {
          if (step.leg === 'out') opened.set(id, (opened.get(id) ?? 0) + 1);
          if (step.leg === 'back') closed.set(id, (closed.get(id) ?? 0) + 1);
        }
        for (const part of step.places) placed.set(part, (placed.get(part) ?? 0) + 1);
        const isEmpty = step.joints.length + step.frees.length === 0;
        const operation = model.operations.find(({ id }) => id === readStepId(step.id).id);
        if (step.leg === 'out' && isEmpty && operation && operation.opens.length + operation.frees.length > 0)
          faults.push(`${step.id} has nothing left to do`);
        metal.play(step);
      }
      // Every plug that was opened is seen by its tests after it was made for good, wherever the gate stands.
      for (const test of metal.tests())
        for (const { id } of metal.plugsOf(test).filter((plug) => opened.has(plug.id))) {
          const made = sheet.steps.findLastIndex(
            ({ leg, joints }) => leg === 'back' && joints.some((one) => one.id === id),
          );
          const seen = sheet.steps.findLastIndex(({ tests }) => tests.includes(test));
          if (made > seen) faults.push(`${id} is made after the last ${test} test`);
        }
      // What stays open is said to stay open; what is out is never left on the bench.
      const leaves = new Set(model.operations.flatMap(({ back }) => (back?.leaves ?? []).map(({ joint }) => joint)));
      for (const joint of metal.open) if (!leaves.has(joint)) faults.push(`${joint} stays open`);
      for (const part of metal.out) faults.push(`${part} is left over`);
      for (const [part, times] of placed) if (times > 1) faults.push(`${part} is placed ${times} times`);
      for (const step of sheet.steps.filter(({ leg }) => leg === 'out'))
        for (const joint of step.joints.filter(isScrew)) {
          const cups = step.cups.filter(({ group }) => group.jointIds.includes(joint.id));
          if (joint.isCaptive ? cups.length > 0 : cups.length !== 1)
            faults.push(`${joint.id} lies in ${cups.length} cups`);
          if (!joint.isCaptive && joint.singleUse !== (cups[0]?.cup === discard ? true : undefined))
            faults.push(`${joint.id} is used once and kept, or kept and thrown away`);
        }
      expect({ name, faults }).toEqual({ name, faults: [] });
    }
  },
  120_000,
);
