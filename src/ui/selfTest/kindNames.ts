import type { MarkKind, Pattern, SelfTestKind } from '@/core/selfTest/reads';
import * as texts from '@/words/catalogue/selfTest';

export const kindNames: Readonly<Record<SelfTestKind, string>> = {
  picture: texts.kindPicture(),
  touch: texts.kindTouch(),
  sound: texts.kindSound(),
  cameras: texts.kindCameras(),
  vibration: texts.kindVibration(),
  keys: texts.kindKeys(),
};

export const patternNames: Readonly<Record<Pattern, string>> = {
  white: texts.patternWhite(),
  black: texts.patternBlack(),
  red: texts.patternRed(),
  green: texts.patternGreen(),
  blue: texts.patternBlue(),
  grey: texts.patternGrey(),
  ramp: texts.patternRamp(),
};

export const markNames: Readonly<Record<MarkKind, string>> = {
  dot: texts.markDot(),
  line: texts.markLine(),
  patch: texts.markPatch(),
  burn: texts.markBurn(),
};
