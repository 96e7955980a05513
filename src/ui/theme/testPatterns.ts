import type { Pattern } from '@/core/selfTest/reads';

/** Colours of a screen's own, not of the theme: what is looked at is the screen. */
export const patternFills: Readonly<Record<Pattern, string>> = {
  white: '#ffffff',
  black: '#000000',
  red: '#ff0000',
  green: '#00ff00',
  blue: '#0000ff',
  grey: '#808080',
  ramp: 'url(#ramp)',
};

/** Signs that are seen on it. */
export const patternSigns: Readonly<Record<Pattern, string>> = {
  white: '#c00060',
  black: '#ffd000',
  red: '#ffffff',
  green: '#000000',
  blue: '#ffd000',
  grey: '#000000',
  ramp: '#c00060',
};
