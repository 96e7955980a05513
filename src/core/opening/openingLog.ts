import type { Model } from '@/core/procedure/model';
import type { JointKind } from '@/core/procedure/vocabulary';
import type { ScrewCount } from '@/core/drafting/parseJoints';

/**
 * What a hand does to an unknown device: one key each. A verb that opens a joint names its kind; the same verb on the way
 * back closes it.
 */
export const verbs = {
  take: { key: 't', out: 'Take out', back: 'Put in', joint: null, frees: true },
  unscrew: { key: 's', out: 'Unscrew', back: 'Screw on', joint: null, frees: false },
  unplug: { key: 'p', out: 'Unplug', back: 'Plug in', joint: 'plug', frees: false },
  unlock: { key: 'r', out: 'Unlock ribbon', back: 'Lock ribbon', joint: 'ribbon', frees: false },
  unclip: { key: 'c', out: 'Unclip', back: 'Clip on', joint: 'clip', frees: false },
  peel: { key: 'e', out: 'Peel', back: 'Stick down', joint: 'tape', frees: false },
  cut: { key: 'k', out: 'Cut seal', back: 'Seal', joint: 'glue', frees: false },
  slide: { key: 'l', out: 'Slide off', back: 'Slide on', joint: 'tab', frees: true },
  warm: { key: 'w', out: 'Warm', back: 'Warm', joint: null, frees: false },
  look: { key: 'o', out: 'Look at', back: 'Look at', joint: null, frees: false },
} as const satisfies Readonly<
  Record<
    string,
    {
      readonly key: string;
      readonly out: string;
      readonly back: string;
      readonly joint: JointKind | null;
      readonly frees: boolean;
    }
  >
>;
export type Verb = keyof typeof verbs;
export const verbNames = Object.keys(verbs) as readonly Verb[];

/** One thing done, logged as it happened. */
export interface LogEntry {
  readonly id: string;
  readonly leg: 'out' | 'back';
  readonly verb: Verb;
  /** What it was done to, as the person calls it. */
  readonly thing: string;
  readonly tool: string;
  readonly screws: readonly ScrewCount[];
  /** The side that was up, by name. */
  readonly face: string;
  readonly posture: string;
  /** What went wrong or was hard; empty when nothing. */
  readonly trouble: string;
  /** Time since the entry before. */
  readonly seconds: number;
}

/** One taking apart (and putting together) from start to end. */
export interface OpeningLog {
  readonly number: number;
  readonly entries: readonly LogEntry[];
}

/** What a first opening is about. */
export interface OpeningHead {
  readonly maker: string;
  readonly name: string;
  readonly kind: Model['kind'];
  readonly proofOfOff: string;
}

/** The same thing done to the same part is the same operation in every log; a second time in one log is another. */
export function keysOf(entries: readonly LogEntry[]): readonly string[] {
  const times = new Map<string, number>();
  return entries.map(({ verb, thing }) => {
    const key = `${verb} ${thing.trim().toLowerCase()}`;
    const count = (times.get(key) ?? 0) + 1;
    times.set(key, count);
    return count === 1 ? key : `${key} ${count}`;
  });
}
