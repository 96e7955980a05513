import type { Limiting } from '@/core/grading/gradePart';
import type { AttributeId } from '@/core/grading/rules';
import type { Finding } from '@/core/procedure/vocabulary';
import * as words from '@/words/catalogue/attributes';
import { findingNames } from './names';

export const attributeNames: Readonly<Record<AttributeId, string>> = {
  works: words.worksName(),
  wear: words.wearName(),
  capacityShare: words.capacityShareName(),
  cycles: words.cyclesName(),
  resistanceMilliOhm: words.resistanceMilliOhmName(),
  shape: words.shapeName(),
  deadPixels: words.deadPixelsName(),
  touchCoverage: words.touchCoverageName(),
  picture: words.pictureName(),
  glass: words.glassName(),
  starts: words.startsName(),
  charges: words.chargesName(),
  radios: words.radiosName(),
  seats: words.seatsName(),
  liquid: words.liquidName(),
  lock: words.lockName(),
};

/** How to measure it, in a line. */
export const attributeHows: Readonly<Record<AttributeId, string>> = {
  works: words.worksHow(),
  wear: words.wearHow(),
  capacityShare: words.capacityShareHow(),
  cycles: words.cyclesHow(),
  resistanceMilliOhm: words.resistanceMilliOhmHow(),
  shape: words.shapeHow(),
  deadPixels: words.deadPixelsHow(),
  touchCoverage: words.touchCoverageHow(),
  picture: words.pictureHow(),
  glass: words.glassHow(),
  starts: words.startsHow(),
  charges: words.chargesHow(),
  radios: words.radiosHow(),
  seats: words.seatsHow(),
  liquid: words.liquidHow(),
  lock: words.lockHow(),
};

const choiceNames: Readonly<Partial<Record<AttributeId, Readonly<Record<string, string>>>>> = {
  works: { yes: words.worksYes(), no: words.worksNo() },
  wear: { none: words.wearNone(), light: words.wearLight(), marked: words.wearMarked(), heavy: words.wearHeavy() },
  shape: { flat: words.shapeFlat(), bent: words.shapeBent(), swollen: words.shapeSwollen() },
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
};

export const choiceName = (attribute: AttributeId, choice: string): string =>
  choiceNames[attribute]?.[choice] ?? choice;

const ends: Readonly<Record<Extract<Limiting, 'hazard' | `broken-${string}`>, string>> = {
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
