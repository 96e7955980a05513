/** What the page on a unit shows full of one colour, or of one picture, to be looked at. */
export const patterns = ['white', 'black', 'red', 'green', 'blue', 'grey', 'ramp'] as const;
export type Pattern = (typeof patterns)[number];

/** What somebody sees on a pattern and touches: a dot, a line, a lighter or darker patch, an old picture. */
export const markKinds = ['dot', 'line', 'patch', 'burn'] as const;
export type MarkKind = (typeof markKinds)[number];

export interface Mark {
  readonly pattern: Pattern;
  readonly kind: MarkKind;
  /** CSS pixels from the top left corner of the screen. */
  readonly x: number;
  readonly y: number;
}

/** The screen was looked at. */
export interface PictureRead {
  readonly is: 'picture';
  /** CSS pixels. */
  readonly width: number;
  readonly height: number;
  readonly shown: readonly Pattern[];
  readonly marks: readonly Mark[];
}

/** A grid over the whole screen was wiped with a finger. */
export interface TouchRead {
  readonly is: 'touch';
  readonly columns: number;
  readonly rows: number;
  /** Cells that no finger reached, counted by rows from the top left one, which is 0. */
  readonly missed: readonly number[];
  /** Most fingers that were felt at once. */
  readonly fingers: number;
}

/** One tone of a sweep, as the microphone heard it: levels in its own band, dB below full scale. */
export interface Tone {
  readonly hertz: number;
  readonly quietDb: number;
  readonly heardDb: number;
}

/** A sweep of tones was played and listened to; no tones where the browser gives no microphone. */
export interface SoundRead {
  readonly is: 'sound';
  readonly tones: readonly Tone[];
  /** Whether somebody heard it clearly; null where nobody was asked. */
  readonly byEar: 'clear' | 'poor' | 'nothing' | null;
}

/** One picture of one camera. */
export interface CameraShot {
  readonly facing: 'front' | 'back';
  /** Mean of the picture's greys, 0 to 255. */
  readonly brightness: number;
  /** Variance of its second differences: how much of it is edges. */
  readonly sharpness: number;
  readonly byEye: 'clean' | 'poor';
  /** Id of the picture that was kept with the unit; null where none was. */
  readonly photo: string | null;
}

export interface CamerasRead {
  readonly is: 'cameras';
  readonly shots: readonly CameraShot[];
}

/** The motor was made to run. */
export interface VibrationRead {
  readonly is: 'vibration';
  /** How much more the unit shook than at rest, m/s² (rms); null where the browser does not say. */
  readonly shake: number | null;
  /** Null where the shaking was measured. */
  readonly byHand: 'strong' | 'weak' | 'nothing' | null;
}

/** Every key was pressed, but for those. */
export interface KeysRead {
  readonly is: 'keys';
  readonly pressed: number;
  /** Codes of keys that are there and did nothing. */
  readonly dead: readonly string[];
}

/** What the page on a unit read off it. */
export type SelfRead = PictureRead | TouchRead | SoundRead | CamerasRead | VibrationRead | KeysRead;
export type SelfTestKind = SelfRead['is'];
export const selfTestKinds = ['picture', 'touch', 'sound', 'cameras', 'vibration', 'keys'] as const;
