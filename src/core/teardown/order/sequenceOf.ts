import type { Model } from '@/core/procedure/model';
import { unattendedMinutes, type Operation } from '@/core/procedure/operations';
import type { Finding } from '@/core/procedure/vocabulary';
import type { HouseRules } from '@/core/shared/houseRules';
import { expectedMinutes } from '../attendedMinutes';
import type { SequenceProblem } from './sequenceProblem';

/** What the minutes of an order hang on, beside its operations. */
export interface OrderGround {
  readonly postures: Model['postures'];
  readonly findings: readonly Finding[];
  /** Parts that are out already, and so in nobody's way. */
  readonly outParts?: ReadonlySet<string>;
  /** The last operation done: its tool is in hand, and the unit lies as it does. */
  readonly last?: Pick<Operation, 'tool' | 'face' | 'posture'> | undefined;
}

/** The fixture of a wait during which the unit stays under the hand. */
export const besideHand = 'bench';

const hands = 'Hands';
const upright = '';

/**
 * The problem of ordering some operations: tools, faces and postures as numbers, minutes from the model and the house rules.
 *
 * Half of a tool change is putting down and half taking up, so bare hands cost half of one on each side. A posture costs
 * its own minutes to take up and half of them to leave.
 */
export function sequenceOf(operations: readonly Operation[], ground: OrderGround, rules: SetUpRules): SequenceProblem {
  const numbers = new Map(operations.map(({ id }, index) => [id, index]));
  const { last } = ground;
  const distinct = (names: readonly string[]) => [...new Set(names)];
  const tools = distinct([
    ...(last ? [last.tool] : []),
    ...operations.flatMap(({ tool, orTools = [] }) => [tool, ...orTools.map((other) => other.tool)]),
  ]);
  const faces = distinct([...(last ? [last.face] : []), ...operations.map(({ face }) => face)]);
  const postures = distinct([
    ...(last ? [last.posture ?? upright] : []),
    ...operations.map((own) => own.posture ?? upright),
  ]);
  const handling = (tool: string) => (tool === hands ? 0 : rules.toolChangeMinutes / 2);
  const postureMinutes = (name: string) =>
    name === upright ? 0 : (ground.postures?.find((posture) => posture.name === name)?.minutes ?? rules.turnMinutes);
  return {
    operations: operations.map((operation) => ({
      minutes: expectedMinutes(operation, ground.findings),
      tools: [
        { tool: tools.indexOf(operation.tool), factor: 1 },
        ...(operation.orTools ?? []).map(({ tool, minutesFactor }) => ({
          tool: tools.indexOf(tool),
          factor: minutesFactor,
        })),
      ],
      face: faces.indexOf(operation.face),
      posture: postures.indexOf(operation.posture ?? upright),
      after: operation.after
        .map(({ any }) => distinct(any).flatMap((id) => numbers.get(id) ?? []))
        .filter((any) => any.length > 0),
      ...obstruction(operation, operations, ground),
      ...(operation.waits && {
        wait: {
          minutes: unattendedMinutes(operation),
          isBeside: operation.waits.every(({ fixture }) => fixture === besideHand),
        },
      }),
    })),
    toolMinutes: square(tools, (from, to) => handling(from) + handling(to)),
    faceMinutes: square(faces, () => rules.turnMinutes),
    postureMinutes: square(postures, (from, to) => postureMinutes(from) / 2 + postureMinutes(to)),
    ...(last && {
      start: {
        tool: tools.indexOf(last.tool),
        face: faces.indexOf(last.face),
        posture: postures.indexOf(last.posture ?? upright),
      },
    }),
  };
}

export type SetUpRules = Pick<HouseRules, 'toolChangeMinutes' | 'turnMinutes'>;

const square = (names: readonly string[], minutes: (from: string, to: string) => number) =>
  names.map((from) => names.map((to) => (from === to ? 0 : minutes(from, to))));

/** Parts in the way: until an operation of the plan frees them, or for good when none does. */
function obstruction(
  { slowWhile = [] }: Operation,
  operations: readonly Operation[],
  { outParts }: OrderGround,
): Pick<SequenceProblem['operations'][number], 'slowUntil'> {
  const slow = slowWhile
    .filter(({ part }) => !outParts?.has(part))
    .map(({ part, factor }) => ({
      factor,
      any: operations.flatMap(({ frees }, index) => (frees.includes(part) ? [index] : [])),
    }));
  return slow.length > 0 ? { slowUntil: slow } : {};
}
