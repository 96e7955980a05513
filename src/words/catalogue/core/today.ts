// Made from words/en/core/today.json by `npm run words`. Change it there.
import { l, plural, select, type Text } from '@/words/runtime';
import { list, number } from '@/words/format';
import { sayer } from '@/words/sayer';
import { all as sheetWords } from './sheet';

export const rebuild = (d: { name: Text }) => l`Rebuild ${d.name}`;
export const takeApart = (d: { name: Text }) => l`Take ${d.name} apart`;
export const allItsPartsAreSet = (d: { isBack: 'yes' | 'no' }) => l`${select(d.isBack, { "yes": l`all its parts are set aside`, "other": l`decided as a donor` })}`;
export const stepsDone = (d: { doneStepIds: Text; stepIds: Text }) => l`${d.doneStepIds} of ${d.stepIds} steps done`;
export const continueWord = (d: { isStarted: 'yes' | 'no'; step: Text }) => l`${select(d.isStarted, { "yes": l`Continue`, "other": l`Start` })}: ${d.step}`;
export const prove = (d: { name: Text }) => l`Prove ${d.name}`;
export const testsPassedReadyToRelease = (d: { count: number }) => l`${plural(d.count, 0, { "0": l`tests passed, ready to release`, "one": l`${number(d.count)} test open`, "other": l`${number(d.count)} tests open` })}`;
export const match = (d: { name: Text }) => l`Match ${d.name}`;
export const needsNoPart = (d: { count: number; names: readonly string[] }) => l`${plural(d.count, 0, { "0": l`needs no part`, "other": l`${list(d.names)}: on the shelf` })}`;
export const sendUnit = (d: { count: number }) => l`Send ${plural(d.count, 0, { "one": l`${number(d.count)} unit`, "other": l`${number(d.count)} units` })}`;
export const provenAndGradedForSale = () => l`proven and graded for sale`;
export const gradePart = (d: { count: number }) => l`Grade ${plural(d.count, 0, { "one": l`${number(d.count)} part`, "other": l`${number(d.count)} parts` })}`;
export const theyCannotBeUsedBefore = () => l`they cannot be used before that`;
export const triageUnit = (d: { count: number }) => l`Triage ${plural(d.count, 0, { "one": l`${number(d.count)} unit`, "other": l`${number(d.count)} units` })}`;
export const taggedButNotDecided = () => l`tagged but not decided`;
export const tagUnit = (d: { count: number }) => l`Tag ${plural(d.count, 0, { "one": l`${number(d.count)} unit`, "other": l`${number(d.count)} units` })}`;
export const expectedStillInBox = () => l`expected, still in the box`;

export const all: Readonly<Record<string, (d: never) => string>> = { rebuild, takeApart, allItsPartsAreSet, stepsDone, continueWord, prove, testsPassedReadyToRelease, match, needsNoPart, sendUnit, provenAndGradedForSale, gradePart, theyCannotBeUsedBefore, triageUnit, taggedButNotDecided, tagUnit, expectedStillInBox };

/** What the core found out, as a sentence. */
export const say = sayer<'today' | 'sheet'>({
  today: all, sheet: sheetWords,
});
