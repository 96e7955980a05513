/** What is chosen of a list: by id, with its place for when it goes. */
export interface Kept {
  readonly id: string | undefined;
  readonly place: number;
}

/**
 * The choice over a list that has changed: the same one wherever it stands now; when it is gone, the one that took its
 * place. What was come upon by itself is kept like what was chosen: a line that comes in before it does not move it.
 */
export function keepChoice(ids: readonly string[], { id, place }: Kept): Kept {
  const found = id === undefined ? -1 : ids.indexOf(id);
  const at = found === -1 ? Math.max(0, Math.min(place, ids.length - 1)) : found;
  return { id: ids[at], place: at };
}
