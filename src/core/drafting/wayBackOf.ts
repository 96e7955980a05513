import type { Operation, WayBack } from '@/core/procedure/operations';
import { guessToolKind } from './words';

/** Verbs of the way out and of the way back; the longer ones first. */
const verbs: readonly (readonly [RegExp, string])[] = [
  [/^Take (.+) (?:out|off)$/i, 'Put $1 in'],
  [/^Lift (.+ plug)$/i, 'Press $1 down'],
  [/^Lift (.+) (?:out|off)$/i, 'Lay $1 in'],
  [/^Draw (.+) out$/i, 'Push $1 in'],
  [/^Slide (.+) (?:out|off)$/i, 'Slide $1 in'],
  [/^Unscrew (.+)$/i, 'Screw $1 on'],
  [/^Unplug (.+)$/i, 'Plug $1 in'],
  [/^Unclip (.+)$/i, 'Clip $1 in'],
  [/^Unlock (.+)$/i, 'Lock $1'],
  [/^Unsolder (.+)$/i, 'Solder $1 on'],
  [/^Unhook (.+)$/i, 'Hook $1 on'],
  [/^Peel (.+?)(?: off)?$/i, 'Stick $1 down'],
  [/^Cut (.+)$/i, 'Seal $1'],
  [/^Pry (.+?)(?: off)?$/i, 'Press $1 on'],
  [/^Loosen (.+)$/i, 'Tighten $1'],
  [/^Open (.+)$/i, 'Close $1'],
];

/** A first way back for an operation: the opposite verb, the same minutes. Null when nothing was opened or freed. */
export function wayBackOf({
  title,
  opens,
  frees,
  minutes,
  tool,
}: Pick<Operation, 'title' | 'opens' | 'frees' | 'minutes' | 'tool'>): WayBack | null {
  if (opens.length === 0 && frees.length === 0) return null;
  const rule = verbs.find(([pattern]) => pattern.test(title));
  const back = rule ? title.replace(rule[0], rule[1]) : `Back: ${title}`;
  return { title: back.slice(0, 60), detail: '', tool: usualBackTool(tool), minutes, consumables: [] };
}

/** What drives screws out drives them in; what prises is a hand on the way back. */
const usualBackTool = (tool: string): string => (guessToolKind(tool) === 'driver' ? tool : 'Hands');
