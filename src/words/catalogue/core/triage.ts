// Made from words/en/core/triage.json by `npm run words`. Change it there.
import { l, plural, select, type Text } from '@/words/runtime';
import { list, minutes, money, number, share, tenths } from '@/words/format';
import { sayer } from '@/words/sayer';

export const costsToRecycle = (d: { recycleCents: number }) => l`Costs ${money(d.recycleCents)} to recycle.`;
export const nothingCallsForNoSwelling = () => l`Nothing calls for it: no swelling, no lock.`;
export const batterySwollenMakeSafeBefore = () => l`The battery is swollen: make it safe before anything else.`;
export const itsSerialWasReportedLost = () => l`Its serial was reported lost: find the owner first.`;
export const lockedFindOwnerFirst = () => l`It is locked: find the owner first.`;
export const whatWasFoundOnMust = () => l`What was found on it must be made safe first.`;
export const doesNotStartSoCannot = () => l`It does not start, so it cannot be wiped.`;
export const doesNotStartChance = (d: { fails: number }) => l`does not start: ${share(d.fails)} chance`;
export const partsNeedsCannotBeReached = () => l`The parts it needs cannot be reached in this model.`;
export const sellsAt = (d: { sellsAt: Text }) => l`sells at ${d.sellsAt}`;
export const mayBeGradedBetterOr = () => l`may be graded better or worse`;
export const gradeBought = (d: { name: Text; grade: Text; isBought: 'yes' | 'no' }) => l`${d.name}, grade ${d.grade}${select(d.isBought, { "yes": l`, bought`, "other": l`` })}`;
export const consumables = () => l`consumables`;
export const mayBreakOnMoving = (d: { count: number }) => l`${plural(d.count, 0, { "one": l`${number(d.count)} part`, "other": l`${number(d.count)} parts` })} to move over may break`;
export const minAt = (d: { taken: number; labourCentsPerMinute: number }) => l`${tenths(d.taken)} min at ${money(d.labourCentsPerMinute)}`;
export const noPartInWorthTaking = () => l`No part in it is worth taking out.`;
export const waitingFor = (d: { because: Text; tag: Text; name: Text }) => l`${d.because} ${d.tag} is waiting for the ${d.name}.`;
export const needsNoPartSellsAt = (d: { count: number; needed: readonly string[]; isLacking: 'yes' | 'no'; lacking: Text; sellsAt: Text; price: number; isSure: 'yes' | 'no'; holds: number }) => l`${plural(d.count, 0, { "0": l`Needs no part.`, "other": l`Needs ${list(d.needed)}, ${select(d.isLacking, { "yes": l`but no ${d.lacking} is on the shelf yet`, "other": l`${plural(d.count, 0, { "one": l`on the shelf`, "other": l`all on the shelf` })}` })}.` })} Sells at ${d.sellsAt} for ${money(d.price)}${select(d.isSure, { "yes": l``, "other": l`; ${share(d.holds)} chance it passes` })}.`;
export const testNotMadeChanceFailing = (d: { count: number; fails: number }) => l`${plural(d.count, 0, { "one": l`${number(d.count)} test`, "other": l`${number(d.count)} tests` })} not made: ${share(d.fails)} chance of failing`;
export const forLessWork = (d: { count: number; best: Text; worthCents: number; taken: number }) => l`${plural(d.count, 0, { "one": l`The ${d.best}`, "other": l`${number(d.count)} parts, mostly the ${d.best},` })} for ${money(d.worthCents)} less ${minutes(d.taken)} of work.`;
export const movesSaved = () => l`moves that whole assemblies save`;
export const jointsThatResist = () => l`consumables where joints resist`;
export const of = (d: { name: Text; chance: number; soundCents: number }) => l`${d.name}: ${share(d.chance)} of ${money(d.soundCents)}`;
export const notTestedThemStartAnd = (d: { odds: number; of: number }) => l`Not tested: ${share(d.odds)} of them start and can be wiped. Then it fetches ${share(d.of)} of the D price.`;
export const soldAsFetchesDPrice = (d: { of: number }) => l`Sold as it is, it fetches ${share(d.of)} of the D price.`;
export const dPrice = (d: { of: number }) => l`${share(d.of)} of the D price`;
export const sellingCosts = () => l`fee, packing and post`;

export const all: Readonly<Record<string, (d: never) => string>> = { costsToRecycle, nothingCallsForNoSwelling, batterySwollenMakeSafeBefore, itsSerialWasReportedLost, lockedFindOwnerFirst, whatWasFoundOnMust, doesNotStartSoCannot, doesNotStartChance, partsNeedsCannotBeReached, sellsAt, mayBeGradedBetterOr, gradeBought, consumables, mayBreakOnMoving, minAt, noPartInWorthTaking, waitingFor, needsNoPartSellsAt, testNotMadeChanceFailing, forLessWork, movesSaved, jointsThatResist, of, notTestedThemStartAnd, soldAsFetchesDPrice, dPrice, sellingCosts };

/** What the core found out, as a sentence. */
export const say = sayer<'triage'>({
  triage: all,
});
