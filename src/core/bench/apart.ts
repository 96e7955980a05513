import type { ApartPlace, LetGoCause } from './stages';

/** A place for units that are kept apart: what is done there, and why a unit may leave it. */
export interface ApartRule {
  /** What makes it safe, or settles it, in order. */
  readonly steps: readonly string[];
  /** Reasons that let a unit go back to triage, or, for `disposed`, leave for good. */
  readonly letsGo: readonly LetGoCause[];
  readonly note: string;
}

/** Local codes and licensed practice come first, and the note says so where it matters. */
export const apartRules: Readonly<Record<ApartPlace, ApartRule>> = {
  hazard: {
    steps: [
      'Off, nothing plugged in, no charger near it',
      'In the fire-safe place, in sand or its metal box, nothing beside it',
      'Cool and without smell for an hour; an authorised person has seen it',
    ],
    letsGo: ['made-safe', 'disposed'],
    note: 'Local rules for damaged cells come first: who may move them, in what, and to whom.',
  },
  ownership: {
    steps: ['Serial and origin noted', 'Supplier or owner asked, with the date'],
    letsGo: ['lock-removed', 'owner-agrees'],
    note: 'What may belong to somebody else is neither opened nor sold, and not thrown away either.',
  },
  'unknown-model': {
    steps: ['Photos of all sides taken', 'A model is in the library, or a first opening has begun'],
    letsGo: ['model-known', 'disposed'],
    note: 'What was noted of it is kept; it comes back to triage as it was.',
  },
};
