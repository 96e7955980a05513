// Made from words/en/core/apart.json by `npm run words`. Change it there.
import { l } from '@/words/runtime';
import { sayer } from '@/words/sayer';

export const switchedOffNothingPluggedIn = () => l`Switched off, nothing plugged in, no charger near it`;
export const inFireSafePlaceIn = () => l`In the fire-safe place, in sand or its metal box, nothing beside it`;
export const coolAndWithoutSmellFor = () => l`Cool and without smell for an hour; seen by an authorised person`;
export const localRulesForDamagedBatteries = () => l`Local rules for damaged batteries come first: who may move them, in what, and to whom.`;
export const serialAndOriginNoted = () => l`Serial and origin noted`;
export const supplierOrOwnerAskedWith = () => l`Supplier or owner asked, with the date`;
export const unitThatMayBelongTo = () => l`A unit that may belong to somebody else is not opened, not sold and not thrown away.`;
export const photosTakenAllSides = () => l`Photos taken of all sides`;
export const modelInLibraryOrFirst = () => l`A model is in the library, or a first opening has begun`;
export const notesAreKeptGoesBack = () => l`Notes are kept; it goes back to triage as it was.`;

export const all: Readonly<Record<string, (d: never) => string>> = { switchedOffNothingPluggedIn, inFireSafePlaceIn, coolAndWithoutSmellFor, localRulesForDamagedBatteries, serialAndOriginNoted, supplierOrOwnerAskedWith, unitThatMayBelongTo, photosTakenAllSides, modelInLibraryOrFirst, notesAreKeptGoesBack };

/** What the core found out, as a sentence. */
export const say = sayer<'apart'>({
  apart: all,
});
