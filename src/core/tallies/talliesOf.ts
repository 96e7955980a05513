import type { Part, Unit } from '@/core/entities/entities';
import type { PartState, ScrewTroubleKind } from '@/core/entities/stages';
import { readStepId } from '@/core/teardown/sheet/sheetStep';
import type { RecordedFact } from '@/core/shop/facts';
import { TallySheet, type Tally } from './tally';

/** The facts about a unit from which something is counted. */
export const talliedTypes = [
  'unit-decided',
  'step-done',
  'step-resisted',
  'part-trouble',
  'screw-trouble',
  'part-assigned',
  'part-shelved',
  'part-scrapped',
  'unit-sent',
] as const;

/** Such a fact, with the model that the unit was of when it was said. */
export type TalliedFact = {
  [T in (typeof talliedTypes)[number]]: Pick<RecordedFact<T>, 'type' | 'payload' | 'at' | 'subjectId'> & {
    readonly modelId: string;
  };
}[(typeof talliedTypes)[number]];

/** All that is known of one unit, or of one part that was bought, to be counted. */
export interface TallyGround {
  /** null for a part that came out of no unit. */
  readonly unit: Pick<Unit, 'parcelId' | 'lineNo' | 'modelId' | 'stage' | 'disposition' | 'tests' | 'marks'> | null;
  readonly parts: readonly Pick<
    Part,
    'id' | 'partRef' | 'modelId' | 'category' | 'interchange' | 'grade' | 'place' | 'bin' | 'carries'
  >[];
  /** Its facts of those types that were not taken back, in their order. */
  readonly facts: readonly TalliedFact[];
  /** Class of every part that was set aside for it. */
  readonly classOf: (partId: string) => string | undefined;
}

const gone: readonly PartState[] = ['broken-by-us', 'broken-before', 'missing'];
/** No column takes more: what is still on an assembly is told as far as it fits. */
const longest = 400;
/** So many letters of an instant in ISO say its day, or its minute. */
const dayLetters = 10;
const minute = 16;
/** Of these a fresh screw goes in: see `screwLedger`. */
const takesSpare: readonly ScrewTroubleKind[] = ['missing', 'stripped', 'foreign', 'short'];

/** Everything that is counted of one unit: of what it is now, of its parts, and of what was said about it. */
export function talliesOf(ground: TallyGround): readonly Tally[] {
  const sheet = new TallySheet();
  addUnit(sheet, ground);
  addParts(sheet, ground);
  addSought(sheet, ground);
  addResisted(sheet, ground);
  for (const fact of ground.facts) addSaid(sheet, fact, ground);
  addShelved(sheet, ground);
  return sheet.list();
}

/** What is counted of a fact by itself. */
function addSaid(sheet: TallySheet, fact: TalliedFact, { classOf }: Pick<TallyGround, 'classOf'>): void {
  const day = fact.at.slice(0, dayLetters);
  switch (fact.type) {
    case 'part-trouble': {
      const { defectCode, partRef } = fact.payload;
      return defectCode === null ? undefined : sheet.add({ kind: 'defect', about: defectCode, more: partRef });
    }
    case 'unit-sent': {
      const { shipment, recipient } = fact.payload;
      return sheet.add({ kind: 'sent', about: shipment, more: [fact.at.slice(0, minute), recipient].join(' ') });
    }
    case 'part-assigned': {
      const used = classOf(fact.payload.partId);
      return used === undefined ? undefined : sheet.add({ kind: 'used', about: used, more: day });
    }
    case 'step-done': {
      const { leg, id } = readStepId(fact.payload.stepId);
      return leg === 'back' ? sheet.add({ kind: 'closed', modelId: fact.modelId, about: id, more: day }) : undefined;
    }
    case 'screw-trouble': {
      const { stepId, count, kind } = fact.payload;
      const of = { kind: 'screwed', modelId: fact.modelId, about: stepId, more: day } as const;
      return takesSpare.includes(kind) ? sheet.add(of, 0, count) : undefined;
    }
    default:
      return undefined;
  }
}

/** What is scrapped from the shelf leaves room on it; what never lay there does not. */
function addShelved(sheet: TallySheet, { facts }: TallyGround): void {
  const shelved = new Set<string>();
  for (const { type, subjectId, at } of facts) {
    if (type === 'part-shelved') {
      shelved.add(subjectId);
      sheet.add({ kind: 'shelved', about: at.slice(0, dayLetters) });
    }
    if (type === 'part-scrapped' && shelved.has(subjectId))
      sheet.add({ kind: 'unshelved', about: at.slice(0, dayLetters) });
  }
}

function addUnit(sheet: TallySheet, { unit }: TallyGround): void {
  if (!unit) return;
  const { parcelId, lineNo, modelId, stage, disposition, tests, marks } = unit;
  sheet.add({ kind: 'stage', about: stage });
  sheet.add({ kind: 'parcel-stage', parcelId, about: stage });
  if (lineNo !== null) sheet.add({ kind: 'lined', parcelId, about: '' });
  const noted = Object.entries(tests).filter(([, result]) => result === 'sound' || result === 'fault');
  for (const [test, result] of noted) sheet.add({ kind: 'tested', parcelId, about: test }, Number(result === 'sound'));
  if (disposition === null || modelId === null) return;
  sheet.add({ kind: 'looked', modelId, parcelId, about: '' });
  for (const [test] of noted) sheet.add({ kind: 'look-tested', modelId, about: test });
  for (const finding of new Set(marks.map(({ kind }) => kind)))
    sheet.add({ kind: 'look-found', parcelId, about: finding });
}

function addParts(sheet: TallySheet, { parts }: TallyGround): void {
  for (const { interchange, category, grade, place, bin, modelId, carries = [] } of parts) {
    sheet.add({ kind: 'place', about: place });
    if (bin !== null) sheet.add({ kind: 'bin', about: bin, more: [interchange, grade ?? ''].join(' ') });
    if (place !== 'shelf' || grade === null) continue;
    sheet.add({ kind: 'stock', about: interchange, more: [grade, category].join(' ') });
    if (carries.length > 0)
      sheet.add({ kind: 'whole', about: interchange, more: fitting([grade, modelId, ...carries]).join(' ') });
  }
}

function fitting(words: readonly string[]): readonly string[] {
  let left = longest;
  return words.filter((word) => (left -= word.length + 1) >= 0);
}

/**
 * Every part that a teardown of a donor freed, or found broken or missing (also one that was then left in), with its fate.
 * Good is what can be sold, graded A to D by the last grade; a cell that goes to the hazardous waste is graded by that.
 */
function addSought(sheet: TallySheet, { unit, parts, facts }: TallyGround): void {
  if (!unit || !facts.some((fact) => fact.type === 'unit-decided' && fact.payload.disposition === 'donor')) return;
  const findings = ['', ...new Set(unit.marks.map(({ kind }) => kind))];
  const add = (modelId: string, about: string, isGood: boolean) => {
    for (const more of findings)
      sheet.add({ kind: 'sought', modelId, parcelId: unit.parcelId, about, more }, Number(isGood));
  };
  const gradeOf = new Map(parts.map(({ id, grade }) => [id, grade]));
  const freed = new Set<string>();
  for (const fact of facts) {
    if (fact.type !== 'step-done') continue;
    for (const { partId, partRef, state } of fact.payload.freed) {
      freed.add(partRef);
      const grade = gradeOf.get(partId) ?? null;
      if (grade !== null || gone.includes(state)) add(fact.modelId, partRef, grade !== null && grade !== 'X');
    }
  }
  const lost = new Map<string, { readonly modelId: string; readonly partRef: string }>();
  for (const fact of facts)
    if (fact.type === 'part-trouble' && fact.payload.state !== 'suspect' && !freed.has(fact.payload.partRef))
      lost.set([fact.modelId, fact.payload.partRef].join('\n'), { ...fact, partRef: fact.payload.partRef });
  for (const { modelId, partRef } of lost.values()) add(modelId, partRef, false);
}

/**
 * Where the unit's steps came to an end: on the usual way (rung 0) or on a rung, and whether they yielded there. A step that
 * was left for good did not, nor did one that was handed over: that other hands opened it says nothing of how it was tried.
 */
function addResisted(sheet: TallySheet, { facts }: TallyGround): void {
  const ends = new Map<
    string,
    { modelId: string; stepId: string; rung: number; isDone: boolean; isHandedOver: boolean }
  >();
  for (const fact of facts) {
    if (fact.type !== 'step-done' && fact.type !== 'step-resisted') continue;
    const { modelId } = fact;
    const { stepId } = fact.payload;
    if (!stepId.startsWith('out:')) continue;
    const key = [modelId, stepId].join('\n');
    const end = ends.get(key) ?? { modelId, stepId, rung: 0, isDone: false, isHandedOver: false };
    ends.set(key, end);
    if (fact.type === 'step-done') end.isDone = true;
    else {
      end.rung = Math.max(end.rung, fact.payload.rung);
      end.isHandedOver ||= fact.payload.isHandedOver === true;
    }
  }
  for (const { modelId, stepId, rung, isDone, isHandedOver } of ends.values())
    sheet.add({ kind: 'resisted', modelId, about: stepId, more: String(rung) }, Number(isDone && !isHandedOver));
}
