import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import { clausesOf, isReady } from '@/core/procedure/situation';
import { screwName } from '@/core/procedure/drives';
import { discard, type Cup } from '@/core/screws/placeScrews';
import type { Chance } from '@/core/shared/chance';
import type { RunSheet } from '@/core/teardown/sheet/runSheet';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { message, type Message, type Wording } from '@/core/shared/message';

/** What is asked of a step on a practice unit. */
export const skills = ['order', 'tool', 'cup'] as const;
export type Skill = (typeof skills)[number];

export interface Choice {
  readonly says: Wording<'rehearsal' | 'sheet'>;
  readonly isRight: boolean;
  /** Of a wrong one, what would have happened; of a right one, why. */
  readonly because: Wording<'rehearsal' | 'sheet'>;
}

export interface Question {
  /** `order:cut-seal`: what the answer is remembered under. */
  readonly item: string;
  readonly skill: Skill;
  readonly asks: Message<'rehearsal'>;
  readonly choices: readonly Choice[];
}

const mostChoices = 4;

/**
 * The questions that one step asks before it counts as done: what to do now, with which tool, and where its screws go.
 * A question with only one possible answer is not asked.
 *
 * @param done    steps of the sheet that are done, which are the first ones
 * @param chance  mixes the choices and picks the wrong ones
 */
export function questionsOf(model: Model, sheet: RunSheet, done: number, chance: Chance): readonly Question[] {
  const steps = sheet.steps.filter(({ leg }) => leg === 'out');
  const step = steps[done];
  if (!step) return [];
  return [
    orderQuestion(model, steps, done, chance),
    toolQuestion(model, step, chance),
    cupQuestion(sheet, step, chance),
  ].filter((question) => question !== null);
}

function orderQuestion(model: Model, steps: readonly SheetStep[], done: number, chance: Chance): Question | null {
  const byId = operationsOf(model, steps);
  const doneIds = new Set(steps.slice(0, done).map(({ operationId }) => operationId as string));
  const left = steps.slice(done).flatMap(({ operationId }) => byId.get(operationId as string) ?? []);
  const [next] = left;
  if (!next) return null;
  const wrong = left.filter((operation) => !isReady(operation, doneIds, byId));
  if (wrong.length === 0) return null;
  return {
    item: `order:${next.id}`,
    skill: 'order',
    asks: message('rehearsal.whatNext'),
    choices: mixed(
      { says: next.title, isRight: true, because: next.detail },
      wrong.map((operation) => ({
        says: operation.title,
        isRight: false,
        because: missing(operation, doneIds, byId),
      })),
      chance,
    ),
  };
}

const operationsOf = (model: Model, steps: readonly SheetStep[]): ReadonlyMap<string, Operation> => {
  const ids = new Set(steps.map(({ operationId }) => operationId));
  return new Map(model.operations.filter(({ id }) => ids.has(id)).map((operation) => [operation.id, operation]));
};

/** The first thing that an operation still waits for, with its reason. */
function missing(
  operation: Operation,
  done: ReadonlySet<string>,
  byId: ReadonlyMap<string, Operation>,
): Message<'rehearsal'> {
  const clause = clausesOf(operation, byId).find((any) => !any.some((id) => done.has(id)));
  const arc = operation.after.find(({ any }) => clause?.some((id) => any.includes(id)));
  const first = byId.get(clause?.[0] ?? '');
  const title = first ? lowerFirst(first.title) : message('rehearsal.whatWaitsFor');
  return arc ? message('rehearsal.first2', { title, because: arc.because }) : message('rehearsal.first', { title });
}

function toolQuestion(model: Model, step: SheetStep, chance: Chance): Question | null {
  const operation = model.operations.find(({ id }) => id === step.operationId);
  const fits = new Set([
    step.tool,
    ...(operation?.tool ? [operation.tool] : []),
    ...(operation?.orTools ?? []).map(({ tool }) => tool),
  ]);
  const others = [...new Set(model.operations.map(({ tool }) => tool))].filter((tool) => !fits.has(tool));
  if (step.tool === 'Hands' || others.length === 0) return null;
  const [caution] = step.cautions;
  return {
    item: `tool:${step.operationId}`,
    skill: 'tool',
    asks: message('rehearsal.withWhichTool', { title: step.title }),
    choices: mixed(
      { says: step.tool, isRight: true, because: step.detail },
      others.map((tool) => ({
        says: tool,
        isRight: false,
        because: caution
          ? `${caution.what} ${caution.instead}`
          : message('rehearsal.needs', { tool: lowerFirst(step.tool) }),
      })),
      chance,
    ),
  };
}

function cupQuestion({ cups, keeping }: RunSheet, step: SheetStep, chance: Chance): Question | null {
  // Caps and what is thrown away are no question: they look like nothing else.
  const isAsked = ({ cup, group }: Cup) => group.kind === 'screw' && cup !== discard;
  const own = step.cups.find(isAsked);
  if (!own || keeping !== 'tray') return null;
  const others = cups.filter((other) => isAsked(other) && other.cup !== own.cup);
  if (others.length === 0) return null;
  return {
    item: `cup:${step.operationId}`,
    skill: 'cup',
    asks: message('rehearsal.whereDoGo', { count: own.group.count, group: screwName(own.group) }),
    choices: mixed(
      {
        says: message('rehearsal.cup', { cup: own.cup }),
        isRight: true,
        because: message('rehearsal.theyComeBackFromThere'),
      },
      onePerCup(others).map((other) => ({
        says: message('rehearsal.cup', { cup: other.cup }),
        isRight: false,
        because: mixUp(own, other),
      })),
      chance,
    ),
  };
}

const onePerCup = (cups: readonly Cup[]): readonly Cup[] => [
  ...new Map(cups.map((entry) => [entry.cup, entry])).values(),
];

/** What comes of two kinds of screws in one cup. */
function mixUp({ group: own }: Cup, { group: other }: Cup): Message<'rehearsal'> {
  const [long, short] = (own.lengthMm ?? 0) >= (other.lengthMm ?? 0) ? [own, other] : [other, own];
  const tooDeep = (long.lengthMm ?? 0) - (short.depthMm ?? Infinity);
  const isAlike = long.drive === short.drive;
  if (isAlike && tooDeep > 0.05)
    return message('rehearsal.inHoleGoesMmToo', { long: screwName(long), short: screwName(short), tooDeep });
  return isAlike
    ? message('rehearsal.andAreEasilyConfused', { long: screwName(long), short: screwName(short) })
    : message('rehearsal.areAlreadyThereOnRebuild', { other: screwName(other) });
}

/** The right choice among some wrong ones, in an order that tells nothing. */
function mixed(right: Choice, wrong: readonly Choice[], chance: Chance): readonly Choice[] {
  const left = [...wrong];
  const chosen: Choice[] = [right];
  while (chosen.length < mostChoices && left.length > 0)
    chosen.push(...left.splice(Math.floor(chance.next() * left.length), 1));
  for (let at = chosen.length - 1; at > 0; at -= 1) {
    const other = Math.floor(chance.next() * (at + 1));
    [chosen[at], chosen[other]] = [chosen[other] as Choice, chosen[at] as Choice];
  }
  return chosen;
}

const lowerFirst = (words: string): string => `${words.charAt(0).toLowerCase()}${words.slice(1)}`;
