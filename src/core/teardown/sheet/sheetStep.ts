import type { Indicator } from '@/core/procedure/faces';
import type { Joint } from '@/core/procedure/joints';
import { getModelPart, type Model } from '@/core/procedure/model';
import type { Caution, Consumable, Handwork, Minutes, Operation, Wait, WayBack } from '@/core/procedure/operations';
import type { DeviceTest } from '@/core/procedure/vocabulary';
import type { WalkStep } from '@/core/procedure/walk';
import type { Cup } from '@/core/screws/placeScrews';
import { explainOperation } from '../explainOperation';
import { message, type Wording } from '@/core/shared/message';

export const legs = ['out', 'gate', 'back', 'moment', 'move'] as const;
export type Leg = (typeof legs)[number];

/** Something that still ties what was opened: it goes so far and no further. */
export type Tether = NonNullable<Operation['limit']>;

/**
 * One line of a run sheet: an operation on the way out, a gate, an operation on the way back, an attended moment between
 * two waits of one step, or a part that moves from an old assembly to the new one.
 */
export interface SheetStep {
  /** `out:ID`, `back:ID`, `gate:ID` …; with `~2` behind it when it is done a second time. */
  readonly id: string;
  readonly leg: Leg;
  readonly operationId: string | null;
  readonly title: Wording<'sheet'>;
  readonly detail: Wording<'sheet'>;
  /** Why this step, generated from the graph. */
  readonly why: Wording<'sheet'>;
  readonly tool: string;
  readonly face: string;
  readonly posture: string | null;
  readonly minutes: Minutes;
  readonly joints: readonly Joint[];
  /** Where this step's screws lie, or come from. */
  readonly cups: readonly Cup[];
  readonly frees: readonly string[];
  readonly places: readonly string[];
  readonly cautions: readonly Caution[];
  readonly consumables: readonly Consumable[];
  readonly wait: Wait | null;
  readonly needsCertificate: boolean;
  /** How hands do it: of this leg's own, never the other's. Null where there is nothing to show. */
  readonly hands: Handwork | null;
  /** The edge it closes from. */
  readonly start: NonNullable<WayBack['start']> | null;
  /** What ties it while this step is done. */
  readonly tethers: readonly Tether[];
  /** What can be looked at now for the first time, and what to ask of it. */
  readonly asks: readonly Indicator[];
  /** What a gate tests, and what is put on or laid in for the test alone. */
  readonly tests: readonly DeviceTest[];
  readonly mates: readonly string[];
  readonly lays: readonly string[];
  readonly usesPack: boolean;
}

/** What most steps do not have. */
export const plainStep = {
  joints: [],
  cups: [],
  frees: [],
  places: [],
  cautions: [],
  consumables: [],
  wait: null,
  needsCertificate: false,
  hands: null,
  start: null,
  tethers: [],
  asks: [],
  tests: [],
  mates: [],
  lays: [],
  usesPack: false,
} as const satisfies Partial<SheetStep>;

/** The id of a step, in its n-th round. */
export const stepIdOf = (leg: Leg, id: string, round: number): string => `${leg}:${id}${round > 1 ? `~${round}` : ''}`;

/** What a step's id says, without its round; `id` of a gate is an operation's or names what the gate is before. */
export function readStepId(stepId: string): { readonly leg: Leg; readonly id: string } {
  const [leg, rest = ''] = stepId.split(':') as [Leg, string?];
  return { leg, id: rest.split('~')[0] as string };
}

/** The id of a step in its first round: what is timed of all rounds together stands under it. */
export function firstRoundOf(stepId: string): string {
  const { leg, id } = readStepId(stepId);
  return stepIdOf(leg, id, 1);
}

/** What the step really opens and frees: a joint that is open already is not counted or put in a cup again. */
export function outStep(
  model: Model,
  { operation, opened, freed }: WalkStep,
  order: readonly Operation[],
  targets: readonly string[],
  round: number,
): SheetStep {
  return {
    ...plainStep,
    id: stepIdOf('out', operation.id, round),
    leg: 'out',
    operationId: operation.id,
    title: operation.title,
    detail: operation.detail,
    why: explainOperation(model, operation, order, targets),
    tool: operation.tool,
    face: operation.face,
    posture: operation.posture ?? null,
    minutes: operation.minutes,
    joints: jointsNamed(model, opened),
    frees: freed,
    cautions: operation.cautions,
    wait: operation.waits?.[0] ?? null,
    needsCertificate: operation.needsCertificate ?? false,
    hands: operation,
  };
}

/** Whether an operation has something to open or free, and all of it was done by the end of another. */
export const cameAlong = ({ operation, opened, freed }: WalkStep): boolean =>
  operation.opens.length + operation.frees.length > 0 && opened.length + freed.length === 0;

function jointsNamed(model: Model, ids: readonly string[]): readonly Joint[] {
  return ids.flatMap((id) => model.joints.find((joint) => joint.id === id) ?? []);
}

/**
 * Closes what its own step opened, each joint once, and places what it freed, each part once: what was opened or freed
 * again later is closed and placed where that is undone.
 *
 * @param open  joints that are open, and `out` parts that are out: both are changed by this step
 */
export function backStep(
  model: Model,
  operation: Operation,
  before: SheetStep,
  { open, out }: { readonly open: Set<string>; readonly out: Set<string> },
  round: number,
): SheetStep {
  const back = operation.back as WayBack;
  const left = new Set(back.leaves?.map(({ joint }) => joint));
  const own = before.joints.length + before.frees.length > 0 ? before.joints.map(({ id }) => id) : operation.opens;
  const closes = (back.closes ?? own).filter((id) => !left.has(id) && open.has(id));
  const places = (back.places ?? operation.frees).filter((part) => out.has(part));
  for (const id of closes) open.delete(id);
  for (const part of places) out.delete(part);
  return {
    ...plainStep,
    id: stepIdOf('back', operation.id, round),
    leg: 'back',
    operationId: operation.id,
    title: back.title,
    detail: back.detail,
    why:
      places.length > 0
        ? message('sheet.putsBack', { parts: places.map((id) => getModelPart(model, id).name) })
        : message('sheet.closesWhatWasOpened'),
    tool: back.tool,
    face: operation.face,
    posture: back.posture ?? null,
    minutes: back.minutes,
    joints: jointsNamed(model, closes),
    cups: before.cups,
    places,
    cautions: back.cautions ?? [],
    consumables: back.consumables,
    wait: back.waits?.[0] ?? null,
    needsCertificate: back.needsCertificate ?? false,
    hands: back,
    start: back.start ?? null,
  };
}

/** Waiting begins at once where nothing is to be done before: a look at the clock. */
const lookMinutes: Minutes = { low: 0.1, likely: 0.2, high: 0.5 };

/** The id of a moment: the leg and operation it belongs to, and which of its waits it begins. */
export const momentIdOf = (leg: Leg, operationId: string, at: number): string => `${leg}.${operationId}.${at}`;

/** What hands do between the waits of one step, a line each, with the wait that follows. */
export function momentSteps(beside: SheetStep, roundOf: (id: string) => number): readonly SheetStep[] {
  const { leg, operationId, hands, face, posture } = beside;
  const [, ...waits] = hands?.waits ?? [];
  if (operationId === null) return [];
  return waits.map((wait, index) => {
    const id = momentIdOf(leg, operationId, index + 1);
    return {
      ...plainStep,
      id: stepIdOf('moment', id, roundOf(id)),
      leg: 'moment',
      operationId: null,
      title: wait.first?.does ?? message('sheet.nextWait', { what: wait.what }),
      detail: message('sheet.whileItStays', { title: beside.title }),
      why: '',
      tool: 'Hands',
      face,
      posture,
      minutes: wait.first?.minutes ?? lookMinutes,
      wait,
    };
  });
}
