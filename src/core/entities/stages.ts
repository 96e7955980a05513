/** Where a unit is: at a stage of the line, or on a way out. */
export const unitStages = [
  'triage',
  'teardown',
  'match',
  'rebuild',
  'prove',
  'send',
  'sent',
  'spent',
  'recycled',
  'kept-apart',
] as const;
export type UnitStage = (typeof unitStages)[number];

/** Where a part is. */
export const partPlaces = [
  'grade',
  'to-shelve',
  'shelf',
  'reserved',
  'assigned',
  'fitted',
  'lost',
  'scrap',
  'hazard',
  'gone',
] as const;
export type PartPlace = (typeof partPlaces)[number];

/** Where a part may lie that is graded again. */
export const gradedAgainAt: readonly PartPlace[] = ['to-shelve', 'shelf', 'reserved', 'scrap'];

/** Where a part lies in a bin and is counted in stock. */
export const stocked: readonly PartPlace[] = ['shelf', 'reserved'];

/** Where a unit may stand that goes back to Triage. */
export const recalledFrom: readonly UnitStage[] = ['teardown', 'match', 'rebuild', 'prove', 'send', 'recycled'];

/** How a part came free. */
export const partStates = ['sound', 'suspect', 'broken-before', 'broken-by-us', 'missing'] as const;
export type PartState = (typeof partStates)[number];

export const dispositions = ['build', 'donor', 'as-is', 'recycle', 'quarantine'] as const;
export type Disposition = (typeof dispositions)[number];

export const apartPlaces = ['hazard', 'ownership', 'unknown-model'] as const;
export type ApartPlace = (typeof apartPlaces)[number];

/** Why a unit that was kept apart may leave. */
export const letGoCauses = ['made-safe', 'lock-removed', 'owner-agrees', 'model-known', 'disposed'] as const;
export type LetGoCause = (typeof letGoCauses)[number];

/** The stages that a parcel passes, in their order. */
export const lineStages = [
  'dock',
  'triage',
  'teardown',
  'grade',
  'shelf',
  'match',
  'rebuild',
  'prove',
  'send',
] as const;
export type LineStage = (typeof lineStages)[number];

/** Defect codes, by what the bench says when something goes wrong. */
export const defectCodes = [
  'flex-torn',
  'connector-lifted',
  'panel-cracked',
  'cover-cracked',
  'clip-broken',
  'cell-bent',
  'wire-torn',
  'liquid-found',
  'earlier-repair',
  'screw-too-long',
  'lock-broken',
  'mount-broken',
  'foil-torn',
  'scratched',
  'head-stripped',
  'place-bent',
] as const;
export type DefectCode = (typeof defectCodes)[number];

export const screwTroubles = ['missing', 'stripped', 'foreign', 'short', 'stuck'] as const;
export type ScrewTroubleKind = (typeof screwTroubles)[number];

/** Why a step is passed over: it was done before this sheet, what it is about is not there, or it can be spared here. */
export const skipCauses = ['done-already', 'not-there', 'not-needed'] as const;
export type SkipCause = (typeof skipCauses)[number];

export const wipeMethods = ['device-erase', 'storage-overwrite', 'storage-destroyed'] as const;
export type WipeMethod = (typeof wipeMethods)[number];

/** Why a sheet under way is planned anew. */
export const replanCauses = ['found', 'part-lost', 'will-not-yield', 'wanted', 'ended-otherwise'] as const;
export type ReplanCause = (typeof replanCauses)[number];
