import { getModelPart, type Model } from '@/core/procedure/model';
import type { Transfer } from '@/core/procedure/parts';
import { isBrought, transfersOf, type Brought } from '@/core/procedure/transfers';
import { message } from '@/core/shared/message';
import { plainStep, readStepId, stepIdOf, type SheetStep } from './sheetStep';

/** The id of a move: the assembly it comes from, and the part that moves. */
export const moveIdOf = (assembly: string, part: string): string => `${assembly}.${part}`;

/** The assembly and the part that a step of moving is about. */
export function movedBy(stepId: string): { readonly assembly: string; readonly part: string } {
  const [assembly = '', part = ''] = readStepId(stepId).id.split('.');
  return { assembly, part };
}

/**
 * What moves from an assembly that is replaced to the one that takes its place: a step each, on the bench beside the unit.
 * A part that was taken off by a step of its own goes back by that step and is not moved, and what the new one brings stays
 * on the old one.
 *
 * @param cameOff  parts that came off by steps of their own
 */
export function moveSteps(
  model: Model,
  assembly: string,
  cameOff: ReadonlySet<string>,
  { configuration, brought = [] }: { readonly configuration: string | null; readonly brought?: readonly Brought[] },
  beside: SheetStep,
  roundOf: (id: string) => number,
): readonly SheetStep[] {
  const { name } = getModelPart(model, assembly);
  return transfersOf(model, assembly, configuration)
    .filter(({ part }) => !cameOff.has(part) && !isBrought(brought, assembly, part))
    .map((transfer) => moveStep(model, name, assembly, transfer, beside, roundOf(moveIdOf(assembly, transfer.part))));
}

function moveStep(
  model: Model,
  name: string,
  assembly: string,
  { part, title, detail, tool, minutes, joints = [] }: Transfer,
  beside: SheetStep,
  round: number,
): SheetStep {
  const moved = getModelPart(model, part).name;
  return {
    ...plainStep,
    id: stepIdOf('move', moveIdOf(assembly, part), round),
    leg: 'move',
    operationId: null,
    title: title ?? message('sheet.moveOver', { part: moved }),
    detail: detail ?? message('sheet.fromOldToNew', { assembly: name }),
    why: message('sheet.newOneComesWithout', { part: moved, assembly: name }),
    tool,
    face: beside.face,
    posture: null,
    minutes,
    joints: model.joints.filter(({ id }) => joints.includes(id)),
  };
}

/** The move that a step's id names, as the model has it now; undefined when it has it no more. */
export function moveNamed(model: Model, id: string, beside: SheetStep, round: number): SheetStep | undefined {
  const [assembly, part] = id.split('.');
  const owner = model.parts.find((candidate) => candidate.id === assembly);
  const transfer = owner?.transfers?.find((candidate) => candidate.part === part);
  return owner && transfer && moveStep(model, owner.name, owner.id, transfer, beside, round);
}
