import type { Refusal } from '@/core/shared/outcome';
import type { Letter, LetterStore } from '@/ui/server/outbox';

/** A browser's keeping, in memory. */
export class MemoryLetters<L extends Letter> implements LetterStore<L> {
  readonly rows = new Map<string, { readonly letter: L; readonly refusal: Refusal | null }>();

  constructor(left: readonly L[] = []) {
    for (const letter of left) this.rows.set(letter.id, { letter, refusal: null });
  }

  get waiting(): readonly L[] {
    return [...this.rows.values()].flatMap(({ letter, refusal }) => (refusal ? [] : [letter]));
  }

  load = async () => [...this.rows.values()];
  keep = async (letter: L, refusal: Refusal | null) => void this.rows.set(letter.id, { letter, refusal });
  drop = async (id: string) => void this.rows.delete(id);
}

/** Lets everything that is promised and not timed happen. */
export async function settleAll(): Promise<void> {
  for (let turn = 0; turn < 5; turn += 1) await new Promise((done) => setImmediate(done));
}
