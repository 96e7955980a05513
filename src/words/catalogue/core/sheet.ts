// Made from words/en/core/sheet.json by `npm run words`. Change it there.
import { l, plural, select, type Text } from '@/words/runtime';
import { list, number } from '@/words/format';
import { sayer } from '@/words/sayer';

export const gateFlatAfterSwollenBattery = () => l`Gate: flat after the swollen battery`;
export const putFrameCoverKeyboardAnd = () => l`Put frame, cover, keyboard and touchpad under the flatness gauge; no splinters and no fluid in the bay.`;
export const bentFrameBendsNewBattery = () => l`A bent frame bends the new battery.`;
export const gateDryAndCleanAfter = () => l`Gate: dry and clean after the liquid`;
export const lookAtEveryPlugRibbon = () => l`Look at every plug, ribbon seat and indicator under the lens: no traces, no green or white; dry under the shields too.`;
export const anythingClosedUpWetCorrodes = () => l`Anything closed up wet corrodes under power.`;
export const gateAsModelSaysAfter = () => l`Gate: as the model says, after an earlier repair`;
export const checkScrewLengthsAgainstModel = () => l`Check screw lengths against the model, shields and foils in place, no residue, no foreign parts.`;
export const earlierRepairMayHaveLeft = () => l`The earlier repair may have left the wrong screw in a shallow hole.`;
export const gateStraightAtDent = () => l`Gate: straight at the dent`;
export const dryFitNewPanelIn = () => l`Dry-fit the new panel in its frame: an even gap all round, no rocking. If not, straighten or change the frame.`;
export const panelPressedIntoBentCorner = () => l`A panel pressed into a bent corner breaks there.`;
export const putsBack = (d: { parts: readonly string[] }) => l`Puts back the ${list(d.parts)}.`;
export const closesWhatWasOpened = () => l`Closes what was opened.`;
export const gate = (d: { what: Text }) => l`Gate: ${d.what}`;
export const seeHowToConfirmOff = () => l`see how to confirm it is off.`;
export const powerOnThenOffAgain = (d: { off: Text }) => l`Power on, then off again: ${d.off}`;
export const nextFaultQuickToReach = (d: { title: Text }) => l`Next: ${d.title}. A fault is quick to reach now.`;
export const owed = (d: { says: Text }) => l`Owed: ${d.says}`;
export const check = (d: { check: Text }) => l`Check: ${d.check}`;
export const owedSinceTeardownNext = (d: { title: Text }) => l`Owed since the teardown; next: ${d.title}.`;
export const gateTestBeforeSealing = (d: { isSeals: 'yes' | 'no' }) => l`${select(d.isSeals, { "yes": l`Gate: test before sealing`, "other": l`Gate: test before it leaves the bench` })}`;
export const nextStepSealsFaultFound = (d: { isSeals: 'yes' | 'no' }) => l`${select(d.isSeals, { "yes": l`The next step seals it: a fault found later costs a second teardown.`, "other": l`A fault is quick to reach now.` })}`;
export const frees = (d: { freed: readonly string[] }) => l`Frees the ${list(d.freed)}.`;
export const onWayToPartsWanted = () => l`On the way to the parts wanted.`;
export const neededFor = (d: { because: Text; served: readonly string[] }) => l`${d.because} Needed for the ${list(d.served)}.`;
export const neededForPartsWanted = (d: { because: Text; count: Text }) => l`${d.because} Needed for ${d.count} of the parts wanted.`;
export const newScrewForThoseThat = (d: { count: number }) => l`${plural(d.count, 0, { "one": l`A new screw`, "other": l`${number(d.count)} new screws` })} for those that cannot go back`;
export const headThreadAndLengthMatch = () => l`Head, thread and length match the cup; no foreign screw is left in it.`;
export const handOver = () => l`Hand it over`;
export const stopHere = () => l`Stop here.`;
export const couldBreak = (d: { part: Text }) => l`It could break the ${d.part}, which is freed before.`;
export const batteryPlugFirst = () => l`House rule: the battery plug first, as soon as it can be reached.`;
export const narrowTape = () => l`narrow tape, strip`;
export const gelDot = () => l`gel dot`;
export const liquidGlue = () => l`liquid glue, dose`;
export const gelSets = () => l`gel sets`;
export const glueSets = () => l`glue cures`;
export const powerOnAndProve = (d: { isMated: 'yes' | 'no'; proofOfOff: Text }) => l`${select(d.isMated, { "yes": l`Put on for the test what is named here, power on, and prove each. Then off, and take it off again: ${d.proofOfOff}`, "other": l`Power on and prove each. Then off: ${d.proofOfOff}` })}`;
export const onlyAfterThatEnd = () => l`It is there only when that step ended so.`;
export const nextWait = (d: { what: Text }) => l`Next: ${d.what}`;
export const whileItStays = (d: { title: Text }) => l`It stays as it is: ${d.title}.`;
export const moveOver = (d: { part: Text }) => l`Move the ${d.part} over`;
export const fromOldToNew = (d: { assembly: Text }) => l`Off the old ${d.assembly}, onto the new one.`;
export const newOneComesWithout = (d: { assembly: Text; part: Text }) => l`A ${d.assembly} comes without its ${d.part}; if this one has it, pass over this step.`;

export const all: Readonly<Record<string, (d: never) => string>> = { gateFlatAfterSwollenBattery, putFrameCoverKeyboardAnd, bentFrameBendsNewBattery, gateDryAndCleanAfter, lookAtEveryPlugRibbon, anythingClosedUpWetCorrodes, gateAsModelSaysAfter, checkScrewLengthsAgainstModel, earlierRepairMayHaveLeft, gateStraightAtDent, dryFitNewPanelIn, panelPressedIntoBentCorner, putsBack, closesWhatWasOpened, gate, seeHowToConfirmOff, powerOnThenOffAgain, nextFaultQuickToReach, owed, check, owedSinceTeardownNext, gateTestBeforeSealing, nextStepSealsFaultFound, frees, onWayToPartsWanted, neededFor, neededForPartsWanted, newScrewForThoseThat, headThreadAndLengthMatch, handOver, stopHere, couldBreak, batteryPlugFirst, narrowTape, gelDot, liquidGlue, gelSets, glueSets, powerOnAndProve, onlyAfterThatEnd, nextWait, whileItStays, moveOver, fromOldToNew, newOneComesWithout };

/** What the core found out, as a sentence. */
export const say = sayer<'sheet'>({
  sheet: all,
});
