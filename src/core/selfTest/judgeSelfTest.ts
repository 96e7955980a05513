import { attributeBy } from '@/core/grading/attributes';
import { gradeReading } from '@/core/grading/gradePart';
import type { DeviceTest, TestResult } from '@/core/procedure/vocabulary';
import type { ChosenAttribute, GradingRules, MeasuredAttribute } from '@/core/shared/gradingRules';
import { defectsOf } from './defects';
import type { CameraShot, SelfRead, SoundRead, Tone, VibrationRead } from './reads';

/** What a read says: of the unit, test by test, and of the part behind it. */
export interface Judged {
  readonly tests: Readonly<Partial<Record<DeviceTest, TestResult>>>;
  readonly readings: Readonly<Partial<Record<MeasuredAttribute | ChosenAttribute, number | string>>>;
}

/** A tone is heard when it stands so far above what its band had before. */
export const heardAboveDb = 10;
/** Of the tones that a small speaker can play at all, so many have to be heard. */
export const enoughOfTones = 0.75;
/** m/s² beyond rest: a motor that only grinds stays below the second. */
export const shakes = { weak: 0.15, strong: 0.5 } as const;
/** A picture below both is that of a covered or dead camera. */
const darkest = { brightness: 8, sharpness: 4 } as const;

export const isHeard = ({ quietDb, heardDb }: Tone): boolean => heardDb - quietDb >= heardAboveDb;

/** The share of cells that felt a finger, percent with one decimal; never rounded up to all of them. */
export const coverageOf = (cells: number, missed: number): number => Math.floor(((cells - missed) / cells) * 1000) / 10;

/** What a read means by the rules of the house: a test fails where a part with that reading would be scrap. */
export function judgeSelfTest(read: SelfRead, rules: GradingRules): Judged {
  switch (read.is) {
    case 'picture': {
      const kinds = new Set(defectsOf(read.marks).map(({ kind }) => kind));
      const deadPixels = defectsOf(read.marks).filter(({ kind }) => kind === 'dead' || kind === 'stuck').length;
      const picture = kinds.has('line') ? 'lines' : kinds.has('burn') ? 'burn' : kinds.has('patch') ? 'faint' : 'even';
      return judged({ picture: passes({ deadPixels, picture }, rules) }, { deadPixels, picture });
    }
    case 'touch': {
      const touchCoverage = coverageOf(read.columns * read.rows, read.missed.length);
      return judged({ touch: passes({ touchCoverage }, rules) }, { touchCoverage });
    }
    case 'keys': {
      const deadKeys = read.dead.length;
      return judged({ keys: passes({ deadKeys }, rules) }, { deadKeys });
    }
    case 'sound':
      return judged(judgeSound(read), {});
    case 'cameras':
      return judged(judgeCameras(read.shots), {});
    case 'vibration': {
      const buzz = buzzOf(read);
      return judged({ vibration: passes({ buzz }, rules) }, { buzz });
    }
  }
}

const judged = (tests: Judged['tests'], readings: Judged['readings']): Judged => ({ tests, readings });

function passes(readings: Judged['readings'], rules: GradingRules): TestResult {
  const isScrap = Object.entries(readings).some(
    ([id, reading]) => gradeReading(attributeBy(rules, id as MeasuredAttribute | ChosenAttribute), reading) === 'X',
  );
  return isScrap ? 'fault' : 'sound';
}

/**
 * The speaker plays, the microphone listens: when enough is heard both work. Otherwise only an ear can tell which of the two
 * failed, and without one nothing is said.
 */
function judgeSound({ tones, byEar }: SoundRead): Judged['tests'] {
  const isBoth = tones.length > 0 && tones.filter(isHeard).length >= enoughOfTones * tones.length;
  if (isBoth) return { sound: byEar === 'poor' ? 'fault' : 'sound', microphone: 'sound' };
  if (byEar === null) return {};
  // A microphone is not to blame where there was nothing to hear, or where it was never switched on.
  if (byEar === 'nothing' || tones.length === 0) return { sound: byEar === 'clear' ? 'sound' : 'fault' };
  return { sound: byEar === 'clear' ? 'sound' : 'fault', microphone: byEar === 'clear' ? 'fault' : 'not-tested' };
}

export const isDark = ({ brightness, sharpness }: Pick<CameraShot, 'brightness' | 'sharpness'>): boolean =>
  brightness < darkest.brightness && sharpness < darkest.sharpness;

function judgeCameras(shots: readonly CameraShot[]): Judged['tests'] {
  const of = (own: readonly CameraShot[]): TestResult =>
    own.some((shot) => shot.byEye === 'poor' || isDark(shot)) ? 'fault' : 'sound';
  const front = shots.filter(({ facing }) => facing === 'front');
  const back = shots.filter(({ facing }) => facing === 'back');
  return {
    ...(back.length > 0 && { cameras: of(back) }),
    ...(front.length > 0 && { 'front-camera': of(front) }),
  };
}

function buzzOf({ shake, byHand }: VibrationRead): 'strong' | 'weak' | 'none' {
  if (shake !== null) return shake >= shakes.strong ? 'strong' : shake >= shakes.weak ? 'weak' : 'none';
  return byHand === 'strong' ? 'strong' : byHand === 'weak' ? 'weak' : 'none';
}
