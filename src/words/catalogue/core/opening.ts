// Made from words/en/core/opening.json by `npm run words`. Change it there.
import { l, plural, type Text } from '@/words/runtime';
import { list, number, tenths } from '@/words/format';
import { sayer } from '@/words/sayer';

export const howOffWhenDead = () => l`How do you make it safe when it cannot be switched off?`;
export const deadUnitsComeToo = () => l`Units with a dead screen or key come too, and the battery is still live.`;
export const doAnyScrewsStay = () => l`Do any of the screws stay in their part when they are loose?`;
export const captiveScrewsHaveNoCup = () => l`Captive screws get no cup and are not missed in the count.`;
export const isAnythingPrinted = () => l`Is anything printed beside the screw holes?`;
export const printedMarksShow = () => l`Numbers, letters and colours beside holes are drawn as they are printed.`;
export const howWarm = (d: { title: Text }) => l`${d.title}: how is it warmed, how warm, and what lies below?`;
export const heatIsHeldAgainstCell = () => l`The heat plan keeps the cell below its limit.`;
export const whereSeamBegins = (d: { title: Text }) => l`${d.title}: where does the cut begin, how deep is each stretch, which corners come last?`;
export const depthAndCornersPerStretch = () => l`Too deep cuts what lies behind the seam.`;
export const howFarOpens = (d: { title: Text; name: Text }) => l`${d.title}: how far does the ${d.name} open before its cable is off?`;
export const cableTiesIt = () => l`A cable still ties it, and is torn when it is opened further.`;
export const whichWay = (d: { title: Text }) => l`${d.title}: which way does it move, and how far?`;
export const arrowShowsIt = () => l`An arrow on the drawing shows it.`;
export const whatHelps = (d: { title: Text }) => l`${d.title}: what helps when it won’t come loose, and when do you stop?`;
export const rungsGiveUpInTime = () => l`It went wrong in a log: the next person should know what to try.`;
export const howLongCures = (d: { title: Text }) => l`${d.title}: how long does it cure, and on which fixture?`;
export const dayPlanUsesWait = () => l`The day plan works on other units in that time.`;
export const howSwitchedOffAndHow = () => l`How is it switched off, and how do you confirm that?`;
export const noBoardLiftedBeforeOff = () => l`No board is lifted before it is off.`;
export const whichPartBattery = () => l`Which part is the battery?`;
export const powerComesOffFirstAnd = () => l`Power comes off first, and no part named so far looks like a battery.`;
export const logOutBackWhereDifference = (d: { log: Text; what: Text; out: Text; back: Text }) => l`Log ${d.log}: ${d.what} ${d.out} out, ${d.back} back. Where is the difference?`;
export const everythingThatComesOffGoes = () => l`Everything that comes off goes back, unless you say why not.`;
export const howDoesGoBackTogether = () => l`How does it go back together? Log the rebuild.`;
export const nothingClosesWhatWasOpened = () => l`Nothing closes what was opened.`;
export const takeApartAgainInAnother = () => l`Take it apart again, in another order.`;
export const secondLogWillShowWhich = (d: { count: number }) => l`A second log will show which of ${plural(d.count, 0, { "one": l`${number(d.count)} order`, "other": l`${number(d.count)} orders` })} must be kept.`;
export const whatGoodOneWorth = (d: { names: readonly string[] }) => l`What is a good one worth: ${list(d.names)}?`;
export const plannerLeavesInAnyPart = () => l`The planner leaves in any part without a price.`;
export const whereAreJointsMoveThem = () => l`Where are the joints? Move them on the drawing.`;
export const theyAreOnGridUntil = () => l`They are on a grid until then. Measure sizes and positions with the calliper.`;
export const whatDoesWholeOneSell = () => l`What does a whole one sell for, by grade?`;
export const triageComparesWithItsParts = () => l`Triage compares it with its parts.`;
export const haveYouSeenOneThat = () => l`Have you seen one that is built differently?`;
export const revisionsChangeSteps = () => l`Revisions change steps.`;
export const howDeepHole = (d: { drive: Text; lengthMm: number }) => l`How deep is the hole of the ${d.drive} ${tenths(d.lengthMm)}?`;
export const entryUnread = (d: { entry: Text }) => l`“${d.entry}” is no joint here, no screw (4 PH00 3.0) and no kind (plug battery).`;
export const lineUnknown = (d: { wanted: Text }) => l`There is no line “${d.wanted}” to come after.`;
export const minutesUnread = (d: { typed: Text }) => l`“${d.typed}” is not minutes: write 1.2, or low, likely and high, as 0.8 1.2 2.`;
export const mmScrewWithSameDrive = (d: { lengthMm: number }) => l`A ${tenths(d.lengthMm)} mm screw with the same drive could go in by mistake.`;
export const howLongAreThose = (d: { drive: Text }) => l`How long are the ${d.drive} screws?`;
export const unknownLengthCannotBeTold = () => l`A screw of unknown length cannot be told from another, and nobody knows which hole it would hurt.`;

export const all: Readonly<Record<string, (d: never) => string>> = { howOffWhenDead, deadUnitsComeToo, doAnyScrewsStay, captiveScrewsHaveNoCup, isAnythingPrinted, printedMarksShow, howWarm, heatIsHeldAgainstCell, whereSeamBegins, depthAndCornersPerStretch, howFarOpens, cableTiesIt, whichWay, arrowShowsIt, whatHelps, rungsGiveUpInTime, howLongCures, dayPlanUsesWait, howSwitchedOffAndHow, noBoardLiftedBeforeOff, whichPartBattery, powerComesOffFirstAnd, logOutBackWhereDifference, everythingThatComesOffGoes, howDoesGoBackTogether, nothingClosesWhatWasOpened, takeApartAgainInAnother, secondLogWillShowWhich, whatGoodOneWorth, plannerLeavesInAnyPart, whereAreJointsMoveThem, theyAreOnGridUntil, whatDoesWholeOneSell, triageComparesWithItsParts, haveYouSeenOneThat, revisionsChangeSteps, howDeepHole, entryUnread, lineUnknown, minutesUnread, mmScrewWithSameDrive, howLongAreThose, unknownLengthCannotBeTold };

/** What the core found out, as a sentence. */
export const say = sayer<'opening'>({
  opening: all,
});
