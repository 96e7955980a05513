import { readPath, type Patch, type Path } from '../patch';
import type { Message } from '@/core/shared/message';
import { rules, type RuleId, type Severity } from './rules';

/** Something wrong in a model document: which rule, where, what, and how to mend it. */
export interface ModelProblem {
  readonly rule: string;
  readonly severity: Severity;
  /** The path in words: `operations[2] (tape-glass).face`. */
  readonly place: string;
  readonly path: Path;
  readonly says: Message<'checks'>;
  readonly mend: Message<'checks'>;
  /** The mend as a change, where there is only one. */
  readonly fix?: Patch;
}

export interface Found {
  readonly path: Path;
  readonly says: Message<'checks'>;
  readonly mend: Message<'checks'>;
  readonly fix?: Patch;
}

export const problem = (document: unknown, rule: RuleId, found: Found): ModelProblem => ({
  rule,
  severity: rules[rule].severity,
  place: placeOf(document, found.path),
  ...found,
});

/** A path as people read it: list entries with their id behind them. */
export function placeOf(document: unknown, path: Path): string {
  if (path.length === 0) return 'document';
  return path.reduce<string>((words, step, at) => {
    if (typeof step !== 'number') return words === '' ? step : `${words}.${step}`;
    const id = (readPath(document, path.slice(0, at + 1)) as { id?: unknown } | undefined)?.id;
    return `${words}[${step}]${typeof id === 'string' ? ` (${id})` : ''}`;
  }, '');
}
