import { emptyModel } from '@/core/drafting/emptyModel';
import { newPart } from '@/core/drafting/operationLine';
import { makeJoint, makeScrews } from '@/core/drafting/parseJoints';
import { guessToolKind, idFrom } from '@/core/drafting/words';
import type { Face } from '@/core/procedure/faces';
import type { Joint } from '@/core/procedure/joints';
import type { Model } from '@/core/procedure/model';
import type { Arc, Minutes, Operation, WayBack } from '@/core/procedure/operations';
import type { ModelPart } from '@/core/procedure/parts';
import { legKeys } from './balance';
import { keysOf, verbs, type LogEntry, type OpeningHead, type OpeningLog } from './openingLog';
import { supportedOrder, type OrderPair } from './supportedOrder';

export interface DraftFromLogs {
  readonly model: Model;
  /** Orders that one log saw and another did the other way round: they are no longer in the draft. */
  readonly contradicted: readonly OrderPair[];
}

const troubleSeen = 'Trouble seen:';

/** Whether a step of the draft says that something went wrong in the log. */
export const isTroubled = (detail: string): boolean => detail.startsWith(troubleSeen);

interface Step {
  readonly key: string;
  readonly id: string;
  readonly entries: readonly LogEntry[];
}

/**
 * A draft model from one or more logs of a first opening: operations with measured minutes, parts and joints as they were
 * named, and the order that all logs support. With one log every arc is unproven; with several, those that only one of
 * them speaks of.
 */
export function draftFromLogs(head: OpeningHead, logs: readonly OpeningLog[]): DraftFromLogs {
  const steps = stepsOf(logs);
  const { arcs, contradicted } = supportedOrder(logs.map((log) => legKeys(log, 'out')));
  const byKey = new Map(steps.map((step) => [step.key, step]));
  const base = { ...emptyModel(head), proofOfOff: head.proofOfOff };
  const faces = facesOf(base, steps);
  const parts: ModelPart[] = [];
  const partOf = (thing: string): ModelPart => {
    const known = parts.find(({ name }) => name.toLowerCase() === thing.trim().toLowerCase());
    if (known) return known;
    const part = newPart(base, thing.trim(), parts);
    parts.push(part);
    return part;
  };
  const freed = new Set(
    steps
      .filter(({ entries: [entry] }) => entry && verbs[entry.verb].frees)
      .map(({ entries: [entry] }) => entry?.thing.trim().toLowerCase()),
  );
  const joints: Joint[] = [];
  const backs = backSteps(logs);
  const operations = steps.map((step): Operation => {
    const [first] = step.entries as [LogEntry];
    const face = faces.find(({ name }) => name === faceName(first)) ?? (faces[0] as Face);
    const isFreed = verbs[first.verb].frees;
    const holds = isFreed || freed.has(first.thing.trim().toLowerCase()) ? [partOf(first.thing).id] : [];
    const opened = jointsOf(first, face, holds, joints);
    joints.push(...opened);
    const operation: Operation = {
      id: step.id,
      title: titleOf(first, 'out'),
      detail: first.trouble === '' ? '' : `${troubleSeen} ${first.trouble}`,
      face: face.id,
      ...(first.posture !== '' && { posture: first.posture }),
      tool: first.tool || 'Hands',
      opens: opened.map(({ id }) => id),
      frees: isFreed ? holds : [],
      after: arcs.filter(({ after }) => after === step.key).map((pair) => arcOf(pair, byKey, logs.length)),
      minutes: minutesOf(step.entries),
      cautions:
        first.trouble === ''
          ? []
          : [{ what: `It went wrong here: ${first.trouble}.`, instead: 'Go slowly; mend this line once it is known.' }],
      back: backOf(step, backs, byKey),
    };
    return opened.some(({ kind }) => kind === 'ribbon')
      ? { ...operation, unlocks: opened.filter(({ kind }) => kind === 'ribbon').map(({ id }) => id) }
      : operation;
  });
  const tools = [...new Set(operations.map(({ tool }) => tool))].map((name) => ({ name, kind: guessToolKind(name) }));
  const postures = [...new Set(operations.flatMap(({ posture }) => posture ?? []))].map((name) => ({
    name,
    minutes: 0.2,
  }));
  return {
    model: { ...base, ...(postures.length > 0 && { postures }), tools, faces, parts, joints, operations },
    contradicted,
  };
}

/** Every operation that some log saw, in the order of the first log that did. */
function stepsOf(logs: readonly OpeningLog[]): readonly Step[] {
  const entries = new Map<string, LogEntry[]>();
  for (const log of logs) {
    const out = log.entries.filter(({ leg }) => leg === 'out');
    keysOf(out).forEach((key, at) => entries.set(key, [...(entries.get(key) ?? []), out[at] as LogEntry]));
  }
  const taken = new Set<string>();
  return [...entries].map(([key, list]) => {
    const id = idFrom(key, taken);
    taken.add(id);
    return { key, id, entries: list };
  });
}

const faceName = ({ face }: LogEntry): string => face.trim() || 'Back up';

function facesOf(base: Model, steps: readonly Step[]): readonly Face[] {
  const [like] = base.faces as [Face];
  const taken = new Set<string>();
  return [...new Set(steps.map(({ entries: [entry] }) => faceName(entry as LogEntry)))].map((name) => {
    const id = idFrom(name, taken);
    taken.add(id);
    return { ...like, id, name };
  });
}

function jointsOf(entry: LogEntry, face: Face, holds: readonly string[], joints: readonly Joint[]): readonly Joint[] {
  const made: Joint[] = [];
  for (const screws of entry.screws) made.push(...makeScrews(screws, face, holds, [...joints, ...made]));
  const { joint } = verbs[entry.verb];
  if (joint !== null) {
    const other = makeJoint(joint, entry.thing, face, holds, [...joints, ...made]);
    made.push(joint === 'ribbon' ? ({ ...other, lock: 'flip' } as Joint) : other);
  }
  return made;
}

const titleOf = ({ verb, thing }: LogEntry, leg: 'out' | 'back'): string => {
  const words = verbs[verb][leg];
  // “Take out” and “Put in” stand round the thing, as people say it.
  const [first, ...rest] = words.split(' ');
  const isSplit = ['out', 'in', 'off', 'on', 'down'].includes(rest.join(' '));
  return isSplit
    ? `${first} the ${thing.trim()} ${rest.join(' ')}`
    : `${words} of the ${thing.trim()}`.replace(/^(Unscrew|Unplug|Unclip|Peel|Warm|Look at|Seal) of/, '$1');
};

function arcOf({ before, seen }: OrderPair, byKey: ReadonlyMap<string, Step>, logCount: number): Arc {
  const step = byKey.get(before) as Step;
  const [entry] = step.entries as [LogEntry];
  const isUnproven = logCount < 2 || seen < 2;
  return {
    any: [step.id],
    reason: 'physical',
    because: `${titleOf(entry, 'out')} came first in ${seen === 1 ? 'one log' : `${seen} logs`}.`,
    ...(isUnproven && { isUnproven: true }),
  };
}

const round = (value: number): number => Math.round(value * 100) / 100;

/** One measurement is a guess at the middle; two or more give a range of their own, never narrower than a fifth. */
function minutesOf(entries: readonly LogEntry[]): Minutes {
  const minutes = entries.map(({ seconds }) => Math.max(seconds, 1) / 60);
  const likely = minutes.reduce((sum, value) => sum + value, 0) / minutes.length;
  if (minutes.length === 1) return { low: round(likely * 0.7), likely: round(likely), high: round(likely * 1.8) };
  return {
    low: round(Math.min(...minutes, likely * 0.8)),
    likely: round(likely),
    high: round(Math.max(...minutes, likely * 1.2)),
  };
}

interface BackStep {
  readonly entries: readonly LogEntry[];
  /** Operations that went back before it although they came out before it, too. */
  readonly after: readonly string[];
}

/** The way back as it was logged: its minutes, and where it was not the reverse of the way out. */
function backSteps(logs: readonly OpeningLog[]): ReadonlyMap<string, BackStep> {
  const steps = new Map<string, BackStep>();
  for (const log of logs) {
    const out = legKeys(log, 'out');
    const back = log.entries.filter(({ leg }) => leg === 'back');
    const keys = keysOf(back);
    keys.forEach((key, at) => {
      const before = keys[at - 1];
      const isTurned =
        before !== undefined && out.includes(before) && out.includes(key) && out.indexOf(before) < out.indexOf(key);
      const known = steps.get(key);
      steps.set(key, {
        entries: [...(known?.entries ?? []), back[at] as LogEntry],
        after: known?.after ?? (isTurned ? [before] : []),
      });
    });
  }
  return steps;
}

function backOf(step: Step, backs: ReadonlyMap<string, BackStep>, byKey: ReadonlyMap<string, Step>): WayBack | null {
  const back = backs.get(step.key);
  const [entry] = back?.entries ?? [];
  if (!back || !entry) return null;
  const after = back.after.flatMap((key) => {
    const other = byKey.get(key);
    return other ? [{ operation: other.id, because: 'It went back first when it was logged.' }] : [];
  });
  return {
    title: titleOf(entry, 'back'),
    detail: '',
    tool: entry.tool || 'Hands',
    minutes: minutesOf(back.entries),
    consumables: [],
    ...(after.length > 0 && { after }),
  };
}
