import type { Piece } from './message';
import type { Reason } from './reasons';

/** A refusal a person can meet: a value that travels unchanged to the screen, where one table makes it a sentence. */
export interface Refusal {
  readonly reason: Reason;
  /** What the sentence needs to name the thing: tags, numbers, words. */
  readonly values: Readonly<Record<string, Piece | readonly Piece[]>>;
}

export type Outcome<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly refusal: Refusal };

export const accept = <T>(value: T): Outcome<T> => ({ ok: true, value });

export const refuse = (reason: Reason, values: Refusal['values'] = {}): Outcome<never> => ({
  ok: false,
  refusal: { reason, values },
});
