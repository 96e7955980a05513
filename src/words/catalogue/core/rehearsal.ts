// Made from words/en/core/rehearsal.json by `npm run words`. Change it there.
import { l, type Text } from '@/words/runtime';
import { tenths } from '@/words/format';
import { sayer } from '@/words/sayer';
import { all as sheetWords } from './sheet';

export const whatNext = () => l`What is next?`;
export const whatWaitsFor = () => l`what it waits for`;
export const first = (d: { title: Text }) => l`First: ${d.title}.`;
export const first2 = (d: { title: Text; because: Text }) => l`First: ${d.title}. ${d.because}`;
export const withWhichTool = (d: { title: Text }) => l`${d.title}: with which tool?`;
export const needs = (d: { tool: Text }) => l`It needs the ${d.tool}.`;
export const whereDoGo = (d: { count: Text; group: Text }) => l`Where do the ${d.count} × ${d.group} go?`;
export const cup = (d: { cup: Text }) => l`Cup ${d.cup}`;
export const theyComeBackFromThere = () => l`They come back from there, in reverse order.`;
export const inHoleGoesMmToo = (d: { long: Text; short: Text; tooDeep: number }) => l`A ${d.long} in the hole of a ${d.short} goes ${tenths(d.tooDeep)} mm too deep.`;
export const andAreEasilyConfused = (d: { long: Text; short: Text }) => l`${d.long} and ${d.short} are easily confused.`;
export const areAlreadyThereOnRebuild = (d: { other: Text }) => l`${d.other} are already there: on the rebuild you would have to sort them by hand.`;

export const all: Readonly<Record<string, (d: never) => string>> = { whatNext, whatWaitsFor, first, first2, withWhichTool, needs, whereDoGo, cup, theyComeBackFromThere, inHoleGoesMmToo, andAreEasilyConfused, areAlreadyThereOnRebuild };

/** What the core found out, as a sentence. */
export const say = sayer<'rehearsal' | 'sheet'>({
  rehearsal: all, sheet: sheetWords,
});
