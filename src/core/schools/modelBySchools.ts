import { isScrew } from '@/core/procedure/joints';
import type { Model } from '@/core/procedure/model';
import type { Heat, Minutes, Operation } from '@/core/procedure/operations';
import type { HeatSource, ToolKind } from '@/core/procedure/vocabulary';
import { message } from '@/core/shared/message';
import { gluedBy } from './gluing';
import { plugFirst } from './plugFirst';
import { asWritten, type SchoolId, type Schools } from '@/core/shared/schools';

/** Models as houses work, by model: the same model and schools give the same document. */
const made = new WeakMap<Model, Map<string, Model>>();

/** The schools that a model is changed by; the others are asked where they decide. */
const changing = ['batteryPlug', 'prying', 'warming', 'gluing', 'torque', 'usedOnce'] as const satisfies SchoolId[];

/** What a house works by, as far as a model is changed by it. */
export interface HouseWays {
  readonly schools: Schools;
  /** Tools that this shop has not. */
  readonly missingTools: readonly string[];
}

/** As the models are written: what was begun before there were any ways to choose. */
const unchanged: HouseWays = { schools: asWritten, missingTools: [] };

/**
 * A model as this house works with it: the author's document with the house's tools, heaters, glue and order. Ids stay, so
 * a sheet that was begun reads the same. The model that comes back is its own by the same ways.
 *
 * @param ways  of the house; left out for what was begun before there were any
 */
export function modelBySchools(model: Model, { schools, missingTools }: HouseWays = unchanged): Model {
  const asked = changing.map((school) => schools[school]).join();
  if (missingTools.length === 0 && asked === changing.map((school) => asWritten[school]).join()) return model;
  const key = [asked, ...missingTools].join('\n');
  const known = made.get(model) ?? new Map<string, Model>();
  made.set(model, known);
  const before = known.get(key);
  if (before) return before;
  const worked = worksBy(model, schools, new Set(missingTools));
  known.set(key, worked);
  made.set(worked, new Map([[key, worked]]));
  return worked;
}

function worksBy(model: Model, schools: Schools, missing: ReadonlySet<string>): Model {
  const kinds = new Map(model.tools?.map(({ name, kind }) => [name, kind]));
  const isMetal = (tool: string) => metal.includes(kinds.get(tool));
  const isPlastic = (tool: string) => kinds.get(tool) === 'plastic';
  const ordered =
    schools.batteryPlug === 'first' ? plugFirst(model, message('sheet.batteryPlugFirst')) : model.operations;
  const operations = ordered
    .map((operation) => warmedBy(schools.warming, operation))
    .map((operation) =>
      schools.prying === 'plastic' && toolsOf(operation).some(isPlastic) ? without(operation, isMetal) : operation,
    )
    .map((operation) => without(operation, (tool) => missing.has(tool)))
    .map((operation) => gluedAs(schools.gluing, operation));
  const joints =
    schools.torque === 'driver'
      ? model.joints
      : model.joints.map((joint) => (isScrew(joint) ? { ...joint, torqueNewtonCm: undefined } : joint));
  const parts =
    schools.usedOnce === 'ask' ? model.parts : model.parts.map((part) => ({ ...part, reusableIf: undefined }));
  return { ...model, operations, joints, parts };
}

const metal: readonly (ToolKind | undefined)[] = ['metal', 'blade'];

const toolsOf = ({ tool, orTools = [] }: Operation): readonly string[] => [tool, ...orTools.map((other) => other.tool)];

/** An operation without some of its tools: the first that is left does it, in its own time. Without all of them it stays. */
function without(operation: Operation, isOut: (tool: string) => boolean): Operation {
  const ways = [{ tool: operation.tool, minutesFactor: 1 }, ...(operation.orTools ?? [])];
  const [first, ...others] = ways.filter(({ tool }) => !isOut(tool));
  if (!first || others.length === ways.length - 1) return operation;
  const { tool, minutesFactor } = first;
  const { back } = operation;
  return {
    ...operation,
    tool,
    minutes: times(operation.minutes, minutesFactor),
    minutesWhen: operation.minutesWhen?.map((when) => ({ ...when, minutes: times(when.minutes, minutesFactor) })),
    orTools: others.map((other) => ({ ...other, minutesFactor: other.minutesFactor / minutesFactor })),
    // What the same tool does on the way back is done by the same other one.
    ...(back && { back: back.tool === operation.tool ? { ...back, tool } : back }),
  };
}

/** A heater as a tool that is laid out: tools are written with a capital. */
const asTool = (source: HeatSource): string => source.charAt(0).toUpperCase() + source.slice(1);

/** The same surface, as warm, by another heater; the heat plan follows from it. */
function warmedBy(source: Schools['warming'], operation: Operation): Operation {
  const { ladder, back } = operation;
  const isWarmed = [operation, ...(ladder?.rungs ?? []), back].some((work) => work?.heat !== undefined);
  if (source === 'as-written' || !isWarmed) return operation;
  return {
    ...warmed(source, operation),
    ...(ladder && { ladder: { ...ladder, rungs: ladder.rungs.map((rung) => warmed(source, rung)) } }),
    back: back && warmed(source, back),
  };
}

function warmed<T extends { readonly heat?: Heat; readonly tool?: string }>(source: HeatSource, work: T): T {
  const { heat, tool } = work;
  if (!heat || heat.source === source) return work;
  // The heater's own dial is not the other's.
  const { setting: _, ...same } = heat;
  return { ...work, heat: { ...same, source }, tool: tool === asTool(heat.source) ? asTool(source) : tool };
}

/** A step that glues: it seals, and what it uses up is one thing, which is its adhesive. */
function gluedAs(gluing: Schools['gluing'], operation: Operation): Operation {
  const { back } = operation;
  if (gluing === 'as-written' || !back?.seals || back.consumables.length !== 1) return operation;
  return { ...operation, back: gluedBy(gluing, back) };
}

const times = ({ low, likely, high }: Minutes, factor: number): Minutes => ({
  low: low * factor,
  likely: likely * factor,
  high: high * factor,
});
