import { isScrew } from '../joints';
import type { Model } from '../model';
import { problem, type ModelProblem } from './problem';
import { message } from '@/core/shared/message';

/** Parts and screws that are used once, assemblies, and parts that belong together. */
export function checkParts(model: Model): readonly ModelProblem[] {
  return [...withoutConsumable(model), ...withoutTransferList(model), ...boundApart(model), ...neverReturned(model)];
}

function withoutConsumable(model: Model): ModelProblem[] {
  const singleParts = new Set(
    model.parts.filter(({ singleUse, reusableIf }) => singleUse && reusableIf === undefined).map(({ id }) => id),
  );
  const singleScrews = new Set(
    model.joints.filter((joint) => isScrew(joint) && joint.singleUse === true).map(({ id }) => id),
  );
  return model.operations.flatMap(({ opens, frees, back, title }, index) => {
    const isUsedUp = frees.some((part) => singleParts.has(part)) || opens.some((joint) => singleScrews.has(joint));
    if (!isUsedUp || back === null || back.consumables.length > 0) return [];
    return [
      problem(model, 'no-consumable', {
        path: ['operations', index, 'back', 'consumables'],
        says: message('checks.somethingSingleUseComesOff'),
        mend: message('checks.nameConsumableThatReplaces'),
        fix: [
          {
            path: ['operations', index, 'back', 'consumables', 0],
            value: { name: message('checks.newFor', { title }), count: 1, unitCents: 0 },
          },
        ],
      }),
    ];
  });
}

function withoutTransferList(model: Model): ModelProblem[] {
  return model.parts.flatMap(({ assembly, transfers, name }, index) =>
    assembly === undefined || transfers !== undefined
      ? []
      : [
          problem(model, 'no-transfer-list', {
            path: ['parts', index],
            says: message('checks.severalPartsInOneAnd', { name }),
            mend: message('checks.listPartsThatMoveOver'),
            fix: [{ path: ['parts', index, 'transfers'], value: [] }],
          }),
        ],
  );
}

/** Both name each other, and neither has a worth of its own: alone it is worth nothing. */
function boundApart(model: Model): ModelProblem[] {
  const byId = new Map(model.parts.map((part) => [part.id, part]));
  return model.parts.flatMap((part, index) => {
    const partner = part.boundTo === undefined ? undefined : byId.get(part.boundTo);
    if (!partner) return [];
    if (partner.boundTo !== part.id) {
      return [
        problem(model, 'bound-apart', {
          path: ['parts', index, 'boundTo'],
          says: message('checks.boundToWhichDoesNot', { name: part.name, name2: partner.name }),
          mend: message('checks.bindPartnerBack'),
          fix: [{ path: ['parts', model.parts.indexOf(partner), 'boundTo'], value: part.id }],
        }),
      ];
    }
    const others = model.parts.filter(({ interchange }) => interchange === part.interchange);
    return others.length > 1
      ? [
          problem(model, 'bound-apart', {
            path: ['parts', index, 'interchange'],
            says: message('checks.boundYetOtherPartsShare', { name: part.name }),
            mend: message('checks.giveClassItsOwn'),
          }),
        ]
      : [];
  });
}

/** A part that a rebuilt unit needs, freed by a step that has no way back. */
function neverReturned(model: Model): ModelProblem[] {
  const returned = new Set(
    model.operations.flatMap(({ back, frees }) => (back === null ? [] : [...frees, ...(back.places ?? [])])),
  );
  const refitted = new Set(model.operations.flatMap(({ refits }) => refits ?? []));
  return model.operations.flatMap(({ back, frees, destroys, minutes, title }, index) => {
    const lost = frees.find(
      (part) =>
        back === null &&
        !returned.has(part) &&
        !refitted.has(part) &&
        !destroys?.includes(part) &&
        model.parts.some(({ id, slot }) => id === part && slot !== undefined),
    );
    if (lost === undefined) return [];
    return [
      problem(model, 'out-in', {
        path: ['operations', index, 'back'],
        says: message('checks.partComesOutHereAnd', { lost }),
        mend: message('checks.writeWayBackThisStep'),
        fix: [
          {
            path: ['operations', index, 'back'],
            value: { title: message('checks.back', { title }), detail: '', minutes, consumables: [] },
          },
        ],
      }),
    ];
  });
}
