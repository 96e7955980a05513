import type { Limiting } from '@/core/grading/gradePart';
import type { AttributeId } from '@/core/grading/attributes';
import { isMeasured } from '@/core/grading/attributes';
import { measuredAttributes, type ChosenAttribute, type MeasuredAttribute } from '@/core/shared/gradingRules';
import { number } from '@/words/format';
import type { Finding } from '@/core/procedure/vocabulary';
import * as words from '@/words/catalogue/attributes';
import { findingNames } from './names';

export const attributeNames: Readonly<Record<AttributeId, string>> = {
  capacityShare: words.capacityShareName(),
  cycles: words.cyclesName(),
  resistanceMilliOhm: words.resistanceMilliOhmName(),
  swellingMm: words.swellingMmName(),
  imbalanceMilliVolt: words.imbalanceMilliVoltName(),
  restLossMilliVolt: words.restLossMilliVoltName(),
  deadPixels: words.deadPixelsName(),
  touchCoverage: words.touchCoverageName(),
  scratchMicron: words.scratchMicronName(),
  dentMm: words.dentMmName(),
  flatnessMm: words.flatnessMmName(),
  leakMillibar: words.leakMillibarName(),
  loudnessDb: words.loudnessDbName(),
  pickUpDb: words.pickUpDbName(),
  fanDb: words.fanDbName(),
  deadKeys: words.deadKeysName(),
  hingeNewtonCm: words.hingeNewtonCmName(),
  lifeShare: words.lifeShareName(),
  badBlocks: words.badBlocksName(),
  memoryErrors: words.memoryErrorsName(),
  restVolt: words.restVoltName(),
  shape: words.shapeName(),
  freed: words.freedName(),
  picture: words.pictureName(),
  glass: words.glassName(),
  starts: words.startsName(),
  charges: words.chargesName(),
  radios: words.radiosName(),
  seats: words.seatsName(),
  liquid: words.liquidName(),
  lock: words.lockName(),
  fixings: words.fixingsName(),
  wear: words.wearName(),
  focus: words.focusName(),
  image: words.imageName(),
  lens: words.lensName(),
  sound: words.soundName(),
  voice: words.voiceName(),
  mesh: words.meshName(),
  buzz: words.buzzName(),
  link: words.linkName(),
  hold: words.holdName(),
  pins: words.pinsName(),
  press: words.pressName(),
  legends: words.legendsName(),
  play: words.playName(),
  spins: words.spinsName(),
  fins: words.finsName(),
  reach: words.reachName(),
  reacts: words.reactsName(),
  contacts: words.contactsName(),
  readsAll: words.readsAllName(),
  conducts: words.conductsName(),
  folds: words.foldsName(),
  fit: words.fitName(),
  reuse: words.reuseName(),
};

/** How to measure it, in a line. */
export const attributeHows: Readonly<Record<AttributeId, string>> = {
  capacityShare: words.capacityShareHow(),
  cycles: words.cyclesHow(),
  resistanceMilliOhm: words.resistanceMilliOhmHow(),
  swellingMm: words.swellingMmHow(),
  imbalanceMilliVolt: words.imbalanceMilliVoltHow(),
  restLossMilliVolt: words.restLossMilliVoltHow(),
  deadPixels: words.deadPixelsHow(),
  touchCoverage: words.touchCoverageHow(),
  scratchMicron: words.scratchMicronHow(),
  dentMm: words.dentMmHow(),
  flatnessMm: words.flatnessMmHow(),
  leakMillibar: words.leakMillibarHow(),
  loudnessDb: words.loudnessDbHow(),
  pickUpDb: words.pickUpDbHow(),
  fanDb: words.fanDbHow(),
  deadKeys: words.deadKeysHow(),
  hingeNewtonCm: words.hingeNewtonCmHow(),
  lifeShare: words.lifeShareHow(),
  badBlocks: words.badBlocksHow(),
  memoryErrors: words.memoryErrorsHow(),
  restVolt: words.restVoltHow(),
  shape: words.shapeHow(),
  freed: words.freedHow(),
  picture: words.pictureHow(),
  glass: words.glassHow(),
  starts: words.startsHow(),
  charges: words.chargesHow(),
  radios: words.radiosHow(),
  seats: words.seatsHow(),
  liquid: words.liquidHow(),
  lock: words.lockHow(),
  fixings: words.fixingsHow(),
  wear: words.wearHow(),
  focus: words.focusHow(),
  image: words.imageHow(),
  lens: words.lensHow(),
  sound: words.soundHow(),
  voice: words.voiceHow(),
  mesh: words.meshHow(),
  buzz: words.buzzHow(),
  link: words.linkHow(),
  hold: words.holdHow(),
  pins: words.pinsHow(),
  press: words.pressHow(),
  legends: words.legendsHow(),
  play: words.playHow(),
  spins: words.spinsHow(),
  fins: words.finsHow(),
  reach: words.reachHow(),
  reacts: words.reactsHow(),
  contacts: words.contactsHow(),
  readsAll: words.readsAllHow(),
  conducts: words.conductsHow(),
  folds: words.foldsHow(),
  fit: words.fitHow(),
  reuse: words.reuseHow(),
};

const choiceNames: Readonly<Record<ChosenAttribute, Readonly<Record<string, string>>>> = {
  shape: { flat: words.shapeFlat(), bent: words.shapeBent(), swollen: words.shapeSwollen() },
  freed: {
    strip: words.freedStrip(),
    unfastened: words.freedUnfastened(),
    solvent: words.freedSolvent(),
    warmed: words.freedWarmed(),
    pried: words.freedPried(),
  },
  picture: {
    even: words.pictureEven(),
    faint: words.pictureFaint(),
    burn: words.pictureBurn(),
    lines: words.pictureLines(),
  },
  glass: {
    clean: words.glassClean(),
    hairline: words.glassHairline(),
    scratched: words.glassScratched(),
    chipped: words.glassChipped(),
    cracked: words.glassCracked(),
  },
  starts: { yes: words.startsYes(), no: words.startsNo() },
  charges: { yes: words.chargesYes(), no: words.chargesNo() },
  radios: { all: words.radiosAll(), some: words.radiosSome(), none: words.radiosNone() },
  seats: { whole: words.seatsWhole(), worn: words.seatsWorn(), lifted: words.seatsLifted() },
  liquid: { none: words.liquidNone(), dried: words.liquidDried(), corroded: words.liquidCorroded() },
  lock: { free: words.lockFree(), locked: words.lockLocked() },
  fixings: {
    whole: words.fixingsWhole(),
    straightened: words.fixingsStraightened(),
    bent: words.fixingsBent(),
    torn: words.fixingsTorn(),
  },
  wear: { none: words.wearNone(), light: words.wearLight(), marked: words.wearMarked(), heavy: words.wearHeavy() },
  focus: { sharp: words.focusSharp(), slow: words.focusSlow(), none: words.focusNone() },
  image: {
    clean: words.imageClean(),
    specks: words.imageSpecks(),
    stains: words.imageStains(),
    none: words.imageNone(),
  },
  lens: {
    clear: words.lensClear(),
    dust: words.lensDust(),
    scratched: words.lensScratched(),
    cracked: words.lensCracked(),
  },
  sound: {
    clear: words.soundClear(),
    thin: words.soundThin(),
    rattles: words.soundRattles(),
    silent: words.soundSilent(),
  },
  voice: {
    clear: words.voiceClear(),
    hum: words.voiceHum(),
    crackles: words.voiceCrackles(),
    silent: words.voiceSilent(),
  },
  mesh: { clean: words.meshClean(), dusty: words.meshDusty(), torn: words.meshTorn() },
  buzz: { strong: words.buzzStrong(), weak: words.buzzWeak(), grinds: words.buzzGrinds(), none: words.buzzNone() },
  link: { both: words.linkBoth(), 'charge-only': words.linkChargeOnly(), none: words.linkNone() },
  hold: { firm: words.holdFirm(), loose: words.holdLoose(), 'falls-out': words.holdFallsOut() },
  pins: { clean: words.pinsClean(), worn: words.pinsWorn(), green: words.pinsGreen(), bent: words.pinsBent() },
  press: { even: words.pressEven(), soft: words.pressSoft(), sticks: words.pressSticks(), none: words.pressNone() },
  legends: { clear: words.legendsClear(), worn: words.legendsWorn(), gone: words.legendsGone() },
  play: { none: words.playNone(), slight: words.playSlight(), wobbles: words.playWobbles() },
  spins: { freely: words.spinsFreely(), slow: words.spinsSlow(), stops: words.spinsStops() },
  fins: { straight: words.finsStraight(), bent: words.finsBent(), crushed: words.finsCrushed() },
  reach: { strong: words.reachStrong(), weak: words.reachWeak(), none: words.reachNone() },
  reacts: { yes: words.reactsYes(), slow: words.reactsSlow(), no: words.reactsNo() },
  contacts: {
    clean: words.contactsClean(),
    worn: words.contactsWorn(),
    green: words.contactsGreen(),
    torn: words.contactsTorn(),
  },
  readsAll: { yes: words.readsAllYes(), slow: words.readsAllSlow(), no: words.readsAllNo() },
  conducts: { all: words.conductsAll(), 'when-moved': words.conductsWhenMoved(), none: words.conductsNone() },
  folds: { none: words.foldsNone(), soft: words.foldsSoft(), sharp: words.foldsSharp(), torn: words.foldsTorn() },
  fit: { slides: words.fitSlides(), sticks: words.fitSticks(), falls: words.fitFalls() },
  reuse: { yes: words.reuseYes(), no: words.reuseNo() },
};

export const choiceName = (attribute: AttributeId, choice: string): string =>
  (attribute in choiceNames ? choiceNames[attribute as ChosenAttribute][choice] : undefined) ?? choice;

const ends: Readonly<Record<Extract<Limiting, 'used-once' | 'hazard' | `broken-${string}`>, string>> = {
  'used-once': words.usedOnce(),
  hazard: words.cellHazard(),
  'broken-by-us': words.brokenByUs(),
  'broken-before': words.brokenBefore(),
};

/** What holds a part's grade down. Parts graded before limits had codes carry the words of their day. */
export function limitingName(limiting: string): string {
  if (limiting in attributeNames) return attributeNames[limiting as AttributeId];
  if (limiting in ends) return ends[limiting as keyof typeof ends];
  if (!limiting.startsWith('found-')) return limiting;
  return words.foundIn({ finding: findingNames[limiting.slice('found-'.length) as Finding] });
}

/** A number as it was read, with half of its interval. @param times  how often it was read */
export function numberRead(attribute: MeasuredAttribute, value: number, plusMinus: number, times = 1): string {
  return words.readingOf({
    value: number(value),
    hasSpread: plusMinus > 0 ? 'yes' : 'no',
    spread: number(plusMinus),
    unit: measuredAttributes[attribute].unit,
    times,
  });
}

/** What a reading is called, and what was read. What is asked no more keeps the words of its day. */
export function sayReading(id: string, reading: number | string, plusMinus = 0): readonly [string, string] {
  const name = attributeNames[id as AttributeId] ?? id;
  if (typeof reading === 'number' && isMeasured(id)) return [name, numberRead(id, reading, plusMinus).trim()];
  return [name, choiceName(id as AttributeId, String(reading))];
}
