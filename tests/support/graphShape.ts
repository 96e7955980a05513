import type { Model } from '@/core/procedure/model';

/**
 * A word for the shape of a model's graph that does not change when ids and names do: operations are coloured by what
 * they wait for and by what waits for them, round after round (colour refinement, Weisfeiler and Leman 1968). Different
 * words mean different graphs.
 */
export function graphShape(model: Model): string {
  let colours = new Map(model.operations.map(({ id, opens, frees }) => [id, `${opens.length}/${frees.length}`]));
  for (let round = 0; round < model.operations.length; round += 1) {
    const next = model.operations.map(({ id, after }) => {
      const before = after
        .map(({ any }) =>
          any
            .map((other) => colours.get(other))
            .sort()
            .join('|'),
        )
        .sort();
      const behind = model.operations
        .filter((other) => other.after.some(({ any }) => any.includes(id)))
        .map((other) => colours.get(other.id))
        .sort();
      return [id, `${colours.get(id)}<${before.join()}>${behind.join()}`] as const;
    });
    const words = [...new Set(next.map(([, word]) => word))].sort();
    const isSettled = words.length === new Set(colours.values()).size;
    colours = new Map(next.map(([id, word]) => [id, isSettled ? word : String(words.indexOf(word))]));
    if (isSettled) break;
  }
  return [...colours.values()].sort().join(';');
}
